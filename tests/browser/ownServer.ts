import { type ChildProcess, spawn } from 'node:child_process';
import { on, once } from 'node:events';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

/** A server of one test's own, with its own data, that can be stopped and started again. */
export class OwnServer {
  private process: ChildProcess | null = null;
  readonly data = mkdtempSync(join(tmpdir(), 'hour-grid-own-'));

  private constructor(
    readonly port: number,
    /** Where what stands in for the campus is; null where nothing does. */
    readonly campusPort: number | null,
  ) {}

  static async start(): Promise<OwnServer> {
    const server = new OwnServer(await freePort(), null);
    await server.start();
    return server;
  }

  static async startWithCampus(): Promise<OwnServer> {
    const server = new OwnServer(await freePort(), await freePair());
    await server.start();
    return server;
  }

  get campus(): string {
    return `http://127.0.0.1:${this.campusPort}`;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const serve = resolve(import.meta.dirname, '../../scripts/serve.mjs');
    const root = resolve(import.meta.dirname, '../..');
    const campus = this.campusPort === null ? [] : ['--stand-ins', String(this.campusPort), '--crowd', '0'];
    const options = ['--port', String(this.port), '--data', this.data, '--announce', ...campus];
    this.process = spawn('node', [serve, ...options], {
      env: { ...process.env, HG_ROOT: root },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await this.hasSaid('Hour Grid is at');
  }

  /** It says when it answers, and may say other things before. */
  private async hasSaid(words: string): Promise<void> {
    let said = '';
    for await (const data of on(this.process!.stdout!, 'data', { close: ['end'] }))
      if ((said += String(data)).includes(words)) return;
    throw new Error(`The server ended before it said "${words}".`);
  }

  async stop(): Promise<void> {
    const ended = this.process && once(this.process, 'exit');
    this.process?.kill('SIGTERM');
    await ended;
    this.process = null;
  }
}

/**
 * Ports below those that the system gives to connections, and of each worker its own: what is free stays free until a
 * server that begins later, or again, takes it.
 */
let lastPort = 22_000 + Number(process.env.TEST_PARALLEL_INDEX ?? 0) * 1000;

/** A free port with another one behind it: there mail is received. */
async function freePair(): Promise<number> {
  for (;;) {
    const [first, second] = [await freePort(), await freePort()];
    if (second === first + 1) return first;
  }
}

async function freePort(): Promise<number> {
  for (;;) {
    const probe = createServer().listen(++lastPort, '127.0.0.1');
    try {
      await once(probe, 'listening');
    } catch {
      // Somebody has it: the next one.
      continue;
    }
    probe.close();
    await once(probe, 'close');
    return lastPort;
  }
}
