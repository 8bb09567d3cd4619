import { defineConfig } from '@playwright/test';
import tests from './playwright.config';

/** The pictures of docs/screenshots, taken from the same server as the tests. */
export default defineConfig({ ...tests, testDir: './shots', workers: 1, reporter: 'list' });
