// Students who go on planning while something else happens: a worker with { address, catalogue, count, perSecond }. In a thread
// of its own, so that what is measured is how long the server takes, not how busy whoever makes the load is. Says 'ready' once
// they plan; told that it is over, it gives the times of their answers, in milliseconds, and how
// many were refused, and ends.
import { parentPort, workerData } from 'node:worker_threads';
import { evenly } from './arrivals.mjs';
import { Figures } from './figures.mjs';
import { Made } from './made.mjs';
import { Student } from './student.mjs';

const { address, catalogue, count, perSecond } = workerData;
const longest = 600;
const made = new Made(catalogue);
const planners = [];
for (let i = 0; i < count; i++) planners.push(await Student.visits(address));
const figures = new Figures();
let isOver = false;
parentPort.once('message', () => (isOver = true));
parentPort.postMessage('ready');
await evenly(
  planners,
  perSecond,
  longest,
  (student) => figures.measure('live', () => student.answer(made.ask())),
  () => isOver,
);
for (const student of planners) await student.leave();
parentPort.postMessage({ times: figures.of('live'), refused: figures.refused });
parentPort.close();
