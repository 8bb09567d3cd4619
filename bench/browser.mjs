// How long a student waits, measured in the browser: from a move of the pointer to its answer on the screen.
// Figures are of this machine and this moment; the peer in the same run is an empty frame.
import { chromium } from 'playwright-core';

const [address, executablePath, ...courses] = process.argv.slice(2);
// The moves on the first day are told by themselves: server and browser have not compiled their code by then.
const days = ['Tuesday', 'Monday', 'Wednesday', 'Friday'];
const moves = 34;
const steps = 120;
const longestWait = 20_000;

const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: address });
await page.goto('/');
await page.getByRole('heading', { name: 'Start with a course you need' }).waitFor();
await page.keyboard.press('/');
for (const course of courses) {
  await page.keyboard.type(course);
  await page.keyboard.press('Enter');
  await page.locator(`[data-course="${course}"]`).waitFor();
}
await page.keyboard.press('Escape');
await page.locator('[aria-busy="false"][aria-label="What I ask"]').waitFor();
console.log(`${courses.length} wanted courses: ${await page.getByRole('heading', { level: 1 }).innerText()}`);

// Times from a pointer move to the frames in which a figure for the hours drawn, their exact count, and the costs and
// standings are there. What was answered ahead is never behind; so it is the drawn hours that tell the answer to a move
// from one to the last.
await page.evaluate(() => {
  const grid = document.querySelector('[aria-label="Hour grid"]');
  const asked = document.querySelector('[aria-label="What I ask"]');
  const isReady = (element) => element.getAttribute('aria-busy') === 'false';
  const painted = () =>
    new Promise((then) => requestAnimationFrame(() => setTimeout(() => then(performance.now()))));
  const drawn = () =>
    [...grid.querySelectorAll('button[aria-label^="Can’t"]')].map((one) => one.ariaLabel).join();
  const until = (element, what, isDone) =>
    new Promise((resolve) => {
      const observer = new MutationObserver(() => {
        if (!isDone()) return;
        observer.disconnect();
        resolve(painted());
      });
      observer.observe(element, what);
    });
  const answered = async (since) => {
    const before = drawn();
    const anything = { attributes: true, childList: true, subtree: true, characterData: true };
    const isNew = () => drawn() !== before;
    const told = until(
      grid,
      anything,
      () => isNew() && (isReady(grid) || grid.textContent.includes('leaves about')),
    );
    const counted = await until(grid, anything, () => isNew() && isReady(grid));
    const full = isReady(asked)
      ? counted
      : await until(asked, { attributes: true, attributeFilter: ['aria-busy'] }, () => isReady(asked));
    return [(await told) - since, counted - since, full - since];
  };
  window.hourGridMoved = null;
  grid.addEventListener(
    'pointermove',
    (event) => {
      window.hourGridMoved = answered(event.timeStamp);
    },
    { capture: true },
  );
});

const hoursShown = await page.locator('[data-hour]').count();
const quarter = 1 / ((hoursShown - 1) * 4);
const figures = [];
const counts = [];
const full = [];
for (const day of days) {
  const band = await page.getByRole('group', { name: day }).boundingBox();
  // The lower edge of a day is free of classes.
  const moveTo = (quarters) =>
    page.mouse.move(band.x + quarters * quarter * band.width, band.y + band.height - 3);
  await moveTo(2);
  await page.mouse.down();
  // Every step is another block and so another ask.
  for (let move = 0; move < moves; move++) {
    await moveTo(4 + move);
    const took = await page.evaluate(async (longestWait) => {
      const moved = window.hourGridMoved;
      return moved === null
        ? null
        : await Promise.race([moved, new Promise((give) => setTimeout(() => give(null), longestWait))]);
    }, longestWait);
    if (took === null) throw new Error(`Move ${move} on ${day} was not answered.`);
    figures.push(took[0]);
    counts.push(took[1]);
    full.push(took[2]);
  }
  await page.keyboard.press('Escape');
  await page.mouse.up();
}
say('from pointer move to a new figure painted, counted or about', figures.slice(moves));
say('to the exact count painted', counts.slice(moves));
say('to costs and standings painted', full.slice(moves));
say('a new figure for the first moves after the start', figures.slice(0, moves));
say('to costs and standings then', full.slice(0, moves));

// Walking: the time between frames while an arrow is held, beside frames in which nothing happens.
const idle = await frames(page, async () => page.waitForFunction(() => window.hourGridFrames.length > 60));
const walking = await frames(page, async () => {
  for (let step = 0; step < steps; step++) await page.keyboard.press('ArrowRight');
});
say('between frames, nothing happening', idle);
say(`between frames, walking ${steps} week shapes`, walking);
const shift = await page.evaluate(
  () =>
    new Promise((resolve) => {
      new PerformanceObserver((list) =>
        resolve(list.getEntries().reduce((sum, entry) => sum + (entry.hadRecentInput ? 0 : entry.value), 0)),
      ).observe({ type: 'layout-shift', buffered: true });
      setTimeout(() => resolve(0), 500);
    }),
);
console.log(`layout shift without input: ${shift.toFixed(4)}`);
await browser.close();

async function frames(page, during) {
  await page.evaluate(() => {
    window.hourGridFrames = [];
    let before = performance.now();
    const tick = (now) => {
      window.hourGridFrames.push(now - before);
      before = now;
      if (!window.hourGridDone) requestAnimationFrame(tick);
    };
    window.hourGridDone = false;
    requestAnimationFrame(tick);
  });
  await during();
  return page.evaluate(() => {
    window.hourGridDone = true;
    return window.hourGridFrames.slice(1);
  });
}

function say(what, times) {
  const sorted = times.toSorted((a, b) => a - b);
  const at = (part) => sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))]?.toFixed(1);
  console.log(
    `${what}: median ${at(0.5)} ms, 95 of 100 within ${at(0.95)} ms, longest ${at(1)} ms (${times.length})`,
  );
}
