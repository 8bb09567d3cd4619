// Starts the published server on a port and a data folder, with what stands in for the campus beside it where a port for
// that is given; says when they answer, and stops them when told to.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';

const { values } = parseArgs({
  options: {
    port: { type: 'string' },
    data: { type: 'string' },
    catalogue: { type: 'string' },
    'stand-ins': { type: 'string' },
    // Seats a second that simulated students take and give; the program says what is usual.
    crowd: { type: 'string' },
    announce: { type: 'boolean', default: false },
  },
});
const root = process.env.HG_ROOT;
const address = `http://127.0.0.1:${values.port}`;
const catalogue = values.catalogue ?? `${root}/demo/saltmere.catalogue.json`;
const processes = [];

/** One program of ours. */
function start(folder, name, options, environment = {}) {
  const started = spawn(
    'dotnet',
    [`${folder}/${name}.dll`, ...options, '--Logging:LogLevel:Default=Warning'],
    { cwd: folder, stdio: 'inherit', env: { ...process.env, ...environment } },
  );
  processes.push(started);
  return started;
}

function stop(signal) {
  for (const one of processes) if (one.exitCode === null) one.kill(signal);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => stop(signal));

async function answers(url) {
  try {
    return (await fetch(url)).ok;
  } catch {
    return false;
  }
}

/** Until an address answers, or who was to answer there has ended. */
async function until(url, process) {
  while (process.exitCode === null && !(await answers(url)))
    await new Promise((resolve) => setTimeout(resolve, 50));
}

const environment = {};
let standIns;
const campus = `http://127.0.0.1:${values['stand-ins']}`;
if (values['stand-ins']) {
  const folder = join(values.data, 'stand-ins');
  mkdirSync(folder, { recursive: true });
  // Known to these two processes alone, and others at every start; on no command line that others can read.
  const [key, secret] = [randomBytes(32).toString('hex'), randomBytes(32).toString('hex')];
  standIns = start(
    `${root}/artifacts/stand-ins`,
    'HourGrid.StandIns',
    [
      `--urls=${campus}`,
      `--DataFolder=${folder}`,
      `--Seed=${root}/demo`,
      `--Catalogue=${catalogue}`,
      `--HourGridAddress=${address}`,
      `--SmtpPort=${Number(values['stand-ins']) + 1}`,
      ...(values.crowd === undefined ? [] : [`--CrowdPace=${values.crowd}`]),
    ],
    { RegistrarKey: key, HourGridSecret: secret },
  );
  Object.assign(environment, {
    SignIn__Authority: campus,
    SignIn__ClientId: 'hour-grid',
    SignIn__ClientSecret: secret,
    Registrar__Address: `${campus}/registrar/`,
    Registrar__Key: key,
    Mail__Host: '127.0.0.1',
    Mail__Port: String(Number(values['stand-ins']) + 1),
    Mail__From: 'hour-grid@saltmere.example',
  });
}
mkdirSync(values.data, { recursive: true });
// What stands in for the campus may end before: then it is away. When the server ends, so does all.
const server = start(
  `${root}/artifacts/app`,
  'HourGrid.Server',
  [
    `--urls=${address}`,
    `--DataFolder=${values.data}`,
    `--FirstCatalogue=${catalogue}`,
    `--FirstProgrammes=${root}/demo/programmes`,
  ],
  environment,
);

server.on('exit', (code) => {
  stop('SIGTERM');
  process.exitCode = code ?? 1;
});

if (values.announce) {
  await until(`${address}/api/terms`, server);
  if (standIns) await until(campus, standIns);
  console.log(`Hour Grid is at ${address}  (Ctrl+C stops it)`);
  if (standIns) console.log(`What stands in for the campus is at ${campus}`);
}
