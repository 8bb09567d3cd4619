// What the server is put under, and how long it takes then. Every figure is of this machine and this moment, the client
// that asks included.
import { spawn } from 'node:child_process';
import { evenly, oneAfterTheOther } from './arrivals.mjs';
import { Figures } from './figures.mjs';
import { Greed } from './greed.mjs';
import { Student } from './student.mjs';

const seconds = 10;
const longest = 600;

const visiting = (address, count) =>
  Promise.all(Array.from({ length: count }, () => Student.visits(address)));

/** Seven of ten ask, the others search and save in equal parts; nobody waits between two requests. */
export async function mixed(address, made, connections) {
  const students = await visiting(address, connections);
  const figures = new Figures();
  await oneAfterTheOther(students, seconds, (student) => {
    const draw = made.below(100);
    if (draw < 70) return figures.measure('answers', () => student.answer(made.ask()));
    if (draw < 85) return figures.measure('searches', () => student.search(made.search()));
    return figures.measure('saves', () => student.save(made.ask()));
  });
  students.forEach((student) => student.leave());
  return figures.lines(`${connections} connections, each asking without a pause`, seconds);
}

/** Many students at one answer a second each. */
export async function steady(address, made, count) {
  const students = await visiting(address, count);
  const figures = new Figures();
  await evenly(students, count, seconds, (student) =>
    figures.measure('answers', () => student.answer(made.ask())),
  );
  students.forEach((student) => student.leave());
  return figures.lines(`${count} students at one answer a second`, seconds);
}

/** Sixty answers a second for others, while some do the worst they can. */
export async function besideTheWorst(address, made, catalogue, [name, count, atOnce]) {
  const others = await visiting(address, 60);
  const figures = new Figures();
  const greed = new Greed(address, catalogue, name, count, atOnce);
  await greed.isUnderWay();
  // Hundreds sending their first at once keep both sides busy for a third of a second.
  await wait(1_000);
  await evenly(others, 60, seconds, (student) => figures.measure('others', () => student.answer(made.ask())));
  const { done, refused } = await greed.ends();
  others.forEach((student) => student.leave());
  return figures.lines(
    `60 answers a second beside ${name} (${done} of it done, ${refused} refused)`,
    seconds,
  );
}

/** A hundred saves a second, by themselves or while a command runs. */
export async function saving(address, made, title, command) {
  const students = await visiting(address, 100);
  const figures = new Figures();
  let isOver = false;
  // Once it is imported, the server reads it.
  const running = (command === undefined ? Promise.resolve() : run(command)).then(() => wait(seconds * 1000));
  void running.finally(() => (isOver = true));
  const began = performance.now();
  await evenly(
    students,
    100,
    command === undefined ? seconds : longest,
    (student) => figures.measure('saves', () => student.save(made.ask())),
    () => isOver,
  );
  const took = (performance.now() - began) / 1000;
  await running;
  students.forEach((student) => student.leave());
  return figures.lines(`100 saves a second ${title}, ${took.toFixed(0)} s`, took);
}

const wait = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

const run = ([program, ...words]) =>
  new Promise((resolve, reject) => {
    const process = spawn(program, words, { stdio: ['ignore', 'ignore', 'inherit'] });
    process.on('exit', (code) =>
      code === 0 ? resolve() : reject(new Error(`${program} ended with ${code}`)),
    );
  });
