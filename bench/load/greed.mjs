// Some students doing the worst they can, from a thread of their own: the others' client is not to wait for theirs.
import { once } from 'node:events';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { Made } from './made.mjs';
import { Student, term } from './student.mjs';

const fits = (student, made) =>
  student.sendBlindly('POST', '/api/answers/fits', { ask: made.ask(6), courses: made.ids(50) });

const picture = (student, made) => {
  const sections = made.courses.flatMap((course) =>
    course.sections.filter((section) => section.term === term),
  );
  return student.sendBlindly('POST', `/api/terms/${term}/timetable/png`, {
    name: 'A week',
    sections: sections.slice(0, 80).map((section) => section.number),
    theme: 'light',
    colours: {},
  });
};

const description = (student) => student.sendBlindly('GET', '/api/openapi.json');

/** What they do, how many students do it, and how often at once. */
export const worsts = [
  ['nothing', 0, 1, fits],
  ['one student with 8 × the fits of 50 courses', 1, 8, fits],
  ['eight students with 64 × the fits of 50 courses each', 8, 64, fits],
  ['one student with 8 × a picture of 80 sections', 1, 8, picture],
  ['eight students with 8 × a picture of 80 sections each', 8, 8, picture],
  ['one with 32 × the description of the API', 1, 32, description],
];

/** Such students, from where the others are. */
export class Greed {
  constructor(address, catalogue, name, count, atOnce) {
    this.thread = new Worker(new URL(import.meta.url), {
      workerData: { address, catalogue, name, count, atOnce },
    });
  }

  /** Once all have sent the first. */
  isUnderWay() {
    return once(this.thread, 'message');
  }

  /** How much of it was done, and how much refused. */
  async ends() {
    this.thread.postMessage('over');
    const [counts] = await once(this.thread, 'message');
    return counts;
  }
}

if (!isMainThread) {
  const { address, catalogue, name, count, atOnce } = workerData;
  const made = new Made(catalogue);
  const [, , , worst] = worsts.find(([one]) => one === name);
  const students = await Promise.all(Array.from({ length: count * atOnce }, () => Student.visits(address)));
  // Several connections of one student.
  students.forEach((one, i) => (one.headers = students[i - (i % atOnce)].headers));
  const counts = { done: 0, refused: 0 };
  let isOver = false;
  const all = students.map(async (student) => {
    while (!isOver) {
      const { status } = await worst(student, made);
      if (status === 200) counts.done++;
      else if (status === 429) counts.refused++;
      else throw new Error(`${name}: ${status}`);
    }
  });
  parentPort.postMessage('under way');
  await once(parentPort, 'message');
  isOver = true;
  students.forEach((student) => student.leave());
  await Promise.allSettled(all);
  parentPort.postMessage(counts);
}
