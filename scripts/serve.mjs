// Starts the published server on a port and a data folder, says when it answers, and stops it when told to.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { parseArgs } from 'node:util';

const { values } = parseArgs({
  options: {
    port: { type: 'string' },
    data: { type: 'string' },
    catalogue: { type: 'string' },
    announce: { type: 'boolean', default: false },
  },
});
const root = process.env.HG_ROOT;
const address = `http://127.0.0.1:${values.port}`;
mkdirSync(values.data, { recursive: true });

const server = spawn(
  'dotnet',
  [
    `${root}/artifacts/app/HourGrid.Server.dll`,
    `--urls=${address}`,
    `--DataFolder=${values.data}`,
    `--FirstCatalogue=${values.catalogue ?? `${root}/demo/saltmere.catalogue.json`}`,
    '--Logging:LogLevel:Default=Warning',
  ],
  { cwd: `${root}/artifacts/app`, stdio: 'inherit' },
);
server.on('exit', (code) => process.exit(code ?? 1));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));

if (values.announce) {
  while (!(await answers())) await new Promise((resolve) => setTimeout(resolve, 50));
  console.log(`Hour Grid is at ${address}  (Ctrl+C stops it)`);
}

async function answers() {
  try {
    return (await fetch(`${address}/api/terms`)).ok;
  } catch {
    return false;
  }
}
