import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { Desk } from '../desk';

const root = process.env.HG_ROOT!;

type Section = { number: string; term: string; component: string; linkedTo?: string[] };
type Catalogue = { courses: { id: string; sections?: Section[] }[] };

/** A server of its own: what is imported here is nobody else's catalogue. */
const own = test.extend<{ server: { address: string; folder: string } }>({
  server: async ({}, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'hour-grid-newer-'));
    const port = await freePort();
    const address = `http://127.0.0.1:${port}`;
    const running = spawn('node', [`${root}/scripts/serve.mjs`, '--port', String(port), '--data', folder], {
      stdio: 'inherit',
    });
    await expect(async () => {
      expect((await fetch(`${address}/api/terms`)).ok).toBe(true);
    }).toPass();
    await use({ address, folder });
    running.kill();
  },
});

own(
  'a catalogue that comes while the page is open is seen, and what it took away is said',
  async ({ browser, server }) => {
    const page = await browser.newPage({ baseURL: server.address, viewport: { width: 1280, height: 800 } });
    const desk = await Desk.open(page);
    await desk.add('TID 210', 'ACO 220');
    await desk.keepOnly('ACO 220', 'L01');
    await expect(desk.row('ACO 220')).toContainText('keeps L01');

    const catalogue = JSON.parse(readFileSync(`${root}/demo/saltmere.catalogue.json`, 'utf8')) as Catalogue;
    const course = catalogue.courses.find((one) => one.id === 'ACO 220')!;
    const gone = course.sections!.find((one) => one.term === '2027SP' && one.component === 'lecture')!.number;
    course.sections = course
      .sections!.filter((one) => one.number !== gone)
      .map((one) =>
        one.linkedTo ? { ...one, linkedTo: one.linkedTo.filter((number) => number !== gone) } : one,
      );
    const file = join(server.folder, 'newer.json');
    writeFileSync(file, JSON.stringify(catalogue));
    execFileSync('dotnet', [
      `${root}/artifacts/bin/HourGrid.Cli/release/HourGrid.Cli.dll`,
      'import',
      file,
      '--data',
      server.folder,
    ]);

    await expect(page.getByRole('alert').filter({ hasText: 'The catalogue has changed.' })).toContainText(
      `ACO 220 L01 (${gone}), which you keep, is not offered any more.`,
    );
    await page.getByRole('button', { name: 'Let go of what is gone' }).first().click();
    await expect(desk.row('ACO 220')).not.toContainText('keeps');
    await expect.poll(() => desk.count()).toBeGreaterThan(0);
    await page.close();
  },
);

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  await new Promise((resolve) => server.close(resolve));
  return port;
}
