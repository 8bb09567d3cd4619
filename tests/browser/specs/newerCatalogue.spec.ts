import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';
import { OwnServer } from '../ownServer';

const root = process.env.HG_ROOT!;

type Section = { number: string; term: string; component: string; linkedTo?: string[] };
type Catalogue = { courses: { id: string; sections?: Section[] }[] };

/** A server of its own: what is imported here is nobody else's catalogue. */
const own = test.extend<{ server: OwnServer }>({
  server: async ({}, use) => {
    const server = await OwnServer.start();
    await use(server);
    await server.stop();
  },
});

own(
  'a catalogue that comes while the page is open is seen, and what it took away is said',
  async ({ browser, server }) => {
    const page = await browser.newPage({ baseURL: server.address, viewport: { width: 1280, height: 800 } });
    const workbench = await Workbench.open(page);
    await workbench.add('TID 210', 'ACO 220');
    await workbench.keepOnly('ACO 220', 'L01');
    await expect(workbench.row('ACO 220')).toContainText('keeps L01');

    const catalogue = JSON.parse(readFileSync(`${root}/demo/saltmere.catalogue.json`, 'utf8')) as Catalogue;
    const course = catalogue.courses.find((one) => one.id === 'ACO 220')!;
    const gone = course.sections!.find((one) => one.term === '2027SP' && one.component === 'lecture')!.number;
    course.sections = course
      .sections!.filter((one) => one.number !== gone)
      .map((one) =>
        one.linkedTo ? { ...one, linkedTo: one.linkedTo.filter((number) => number !== gone) } : one,
      );
    const file = join(server.data, 'newer.json');
    writeFileSync(file, JSON.stringify(catalogue));
    execFileSync('dotnet', [
      `${root}/artifacts/bin/HourGrid.Cli/release/HourGrid.Cli.dll`,
      'import',
      file,
      '--data',
      server.data,
    ]);

    await expect(page.getByRole('alert').filter({ hasText: 'The catalogue has changed.' })).toContainText(
      `ACO 220 L01 (${gone}), which you keep, is not offered any more.`,
    );
    await page.getByRole('button', { name: 'Stop keeping what is gone' }).first().click();
    await expect(workbench.row('ACO 220')).not.toContainText('keeps');
    await expect.poll(() => workbench.count()).toBeGreaterThan(0);
    await page.close();
  },
);
