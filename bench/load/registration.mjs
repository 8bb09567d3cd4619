// The rush of an opening: registration.mjs ADDRESS CAMPUS CATALOGUE. Five hundred students press within a second for twenty
// seats in each of five sections; others go on with live answers, two thousand browsers listen to the events.
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import { Client } from 'undici';
import { Figures } from './figures.mjs';
import { Student, term } from './student.mjs';

const [address, campus, catalogue] = process.argv.slice(2);
const registration = `/api/terms/${term}/registration`;
const course = 'GLZ 155';
const sections = ['10264', '10265', '10266', '10267', '10268'];
const seats = 20;
const presses = 500;
const listeners = 2_000;

/** Cookies of one browser at both hosts, by name. */
class Jar {
  cookies = new Map();

  take(answer) {
    for (const cookie of answer.headers.getSetCookie()) {
      const [name, ...value] = cookie.split(';')[0].split('=');
      this.cookies.set(name, value.join('='));
    }
  }

  get header() {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
  }
}

async function follow(jar, url, init = {}) {
  for (;;) {
    const answer = await fetch(url, {
      ...init,
      redirect: 'manual',
      headers: { ...init.headers, cookie: jar.header },
    });
    jar.take(answer);
    const to = answer.headers.get('location');
    if (!to || answer.status < 300 || answer.status > 399) return { answer, text: await answer.text(), url };
    url = new URL(to, url).href;
    init = { headers: init.headers };
  }
}

const field = (text, name) => new RegExp(`name="${name}" value="([^"]+)"`).exec(text)?.[1];
const unescaped = (text) => text.replaceAll('&amp;', '&').replaceAll('&#x2B;', '+');

/** A student of the crowd, signed in at a connection of its own. */
async function signedIn(index) {
  const student = await Student.visits(address);
  const jar = new Jar();
  const [name, ...value] = student.headers.cookie.split('=');
  jar.cookies.set(name, value.join('='));
  const headers = { 'x-forwarded-for': student.headers['x-forwarded-for'] };
  const page = await follow(jar, `${address}/api/sign-in?from=/api/me`, { headers });
  const body = new URLSearchParams({
    __RequestVerificationToken: field(page.text, '__RequestVerificationToken'),
    returnUrl: unescaped(field(page.text, 'returnUrl')),
    person: `Z${String(index).padStart(4, '0')}`,
  });
  const back = await follow(jar, `${campus}/sign-in`, { method: 'POST', body, headers });
  if (!back.text.includes('"person":{')) throw new Error(`Not signed in: ${back.text.slice(0, 200)}`);
  student.headers.cookie = jar.header;
  return student;
}

const clerkJar = new Jar();
async function clerk(action, fields) {
  const { text } = await follow(clerkJar, `${campus}/clerk`);
  const body = new URLSearchParams({
    ...fields,
    __RequestVerificationToken: field(text, '__RequestVerificationToken'),
  });
  const { answer } = await follow(clerkJar, `${campus}/clerk/${action}`, { method: 'POST', body });
  if (!answer.ok) throw new Error(`clerk ${action}: ${answer.status}`);
}

/** So many at a time. */
async function all(count, atATime, make) {
  const made = [];
  let next = 0;
  const one = async () => {
    while (next < count) {
      const index = next++;
      made[index] = await make(index);
    }
  };
  await Promise.all(Array.from({ length: atATime }, one));
  return made;
}

/** Listens to the events that a page hears; tells of each kind. */
async function listen(headers, hear) {
  const client = new Client(address, { headersTimeout: 0, bodyTimeout: 0 });
  const { body, statusCode } = await client.request({ method: 'GET', path: '/api/news', headers });
  if (statusCode !== 200) throw new Error(`news: ${statusCode}`);
  let text = '';
  body.on('data', (part) => {
    text += part;
    for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
      hear(text.slice(0, end));
      text = text.slice(end + 2);
    }
  });
  body.on('error', () => undefined);
  return client;
}

const setSeats = (number, capacity, enrolled) =>
  clerk('seats', { term, number, capacity: String(capacity), enrolled: String(enrolled) });

const seconds = (began) => ((performance.now() - began) / 1000).toFixed(1);

let began = performance.now();
const students = await all(presses, 8, signedIn);
console.log(`${presses} students signed in within ${seconds(began)} s`);

/** A page of a student: asks for the registration when it is told that it is another, as often as it is told, once at a time. */
class Page {
  #isAsking = false;
  #isStale = false;
  #see = () => undefined;
  #sent = 0;
  registration = null;

  constructor(student) {
    this.student = student;
  }

  async refresh() {
    this.#isStale = true;
    if (this.#isAsking) return;
    this.#isAsking = true;
    while (this.#isStale) {
      this.#isStale = false;
      this.registration = JSON.parse((await this.student.send('GET', registration)).text);
      const { presses: sent } = this.registration;
      if (sent.length === this.#sent && sent.every((press) => press.answeredUtc)) this.#see();
    }
    this.#isAsking = false;
  }

  /** Sends lines; gives what ends when they are taken, and what ends when the page shows the answer. */
  press(lines) {
    this.#sent++;
    const seen = new Promise((resolve) => (this.#see = resolve));
    const key = randomBytes(16).toString('hex');
    return { taken: this.student.sendBlindly('POST', `${registration}/presses`, { key, lines }), seen };
  }
}

/** A line that takes a section, or gives one up. */
const line = (taken, givenUp) => ({
  course,
  sections: taken ? [taken] : [],
  ifFull: 'leave',
  instead: [],
  givingUp: givenUp ? [givenUp] : [],
  group: null,
  leaving: null,
});

began = performance.now();
const pages = await all(presses, 8, async (index) => {
  const page = new Page(students[index]);
  await page.refresh();
  return page;
});
let heard = 0;
const waiting = new Map();
const clients = await all(listeners, 32, (index) =>
  listen(students[index % presses].headers, (event) => {
    heard++;
    // A page knows what it sent itself.
    if (index < presses && event.includes('event: registration') && !event.includes('"sent"'))
      void pages[index].refresh();
    if (index === 0 && event.includes('event: seats')) waiting.get('seats')?.(performance.now());
  }),
);
console.log(`${listeners} browsers listen, after ${seconds(began)} s`);

await clerk('opening', { term, phase: 'open', seconds: '0' });
const seen = [];
for (let round = 0; round < 20; round++) {
  const changed = new Promise((resolve) => waiting.set('seats', resolve));
  const at = performance.now();
  await setSeats('10201', 40, round);
  seen.push((await changed) - at);
}
seen.sort((one, other) => one - other);
console.log(
  `a change of seats is heard in a browser after p50 ${seen[10].toFixed(0)}, worst ${seen.at(-1).toFixed(0)} ms, with ${listeners} listening`,
);
// The system has been running: everybody has taken something before, and given it up.
await setSeats(sections[0], presses, 0);
for (const before of [line(sections[0], null), line(null, sections[0])])
  await all(presses, 16, async (index) => {
    const { taken, seen: shown } = pages[index].press([before]);
    await taken;
    await shown;
  });
for (const number of sections) await setSeats(number, seats, 0);

const figures = new Figures();
const planning = new Worker(new URL('planners.mjs', import.meta.url), {
  workerData: { address, catalogue, count: 16, perSecond: 60 },
});
await once(planning, 'message');
await new Promise((resolve) => setTimeout(resolve, 2_000));

const pressed = [];
await Promise.all(
  students.map(async (student, index) => {
    await new Promise((resolve) => setTimeout(resolve, (index * 1000) / presses));
    const at = performance.now();
    pressed[index] = Date.now();
    const { taken, seen: shown } = pages[index].press(
      [0, 1].map((offset) => line(sections[(index + offset) % sections.length], null)),
    );
    await figures.measure('taken', () => taken);
    await shown;
    figures.of('seen').push(performance.now() - at);
  }),
);
planning.postMessage('over');
const [{ times, refused }] = await once(planning, 'message');
figures.of('live').push(...times);
figures.refused += refused;
const outcomes = pages.map((page) => page.registration);
const answers = outcomes.map(({ presses: sent }) => sent.at(-1));
for (const [index, press] of answers.entries())
  // One machine, one clock.
  figures.of('answered').push(Date.parse(press.answeredUtc) - pressed[index]);
const held = outcomes.flatMap(({ standing }) => standing.held).length;
console.log(figures.lines(`${presses} presses within a second for ${seats * sections.length} seats`, 1));
console.log(
  `  seats given ${held} of ${seats * sections.length}, answers to all lines ${answers.filter((press) => press.answer?.lines.length === 2).length} of ${presses}, events heard ${heard}`,
);
for (const client of clients) void client.destroy();
for (const student of students) void student.leave();
process.exit(held === seats * sections.length ? 0 : 1);
