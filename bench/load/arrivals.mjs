// How requests come: one after the other at each connection, or so many a second whatever becomes of those before.

/** Each of some students sends the next as soon as the last is answered. */
export async function oneAfterTheOther(students, seconds, send) {
  const end = performance.now() + seconds * 1000;
  await Promise.all(
    students.map(async (student) => {
      while (performance.now() < end) await send(student);
    }),
  );
}

/**
 * So many a second, evenly, from one student after the other, for so many seconds or until it is over; who still waits for
 * an answer sends the next after it.
 */
export async function evenly(students, perSecond, seconds, send, isOver = () => false) {
  const began = performance.now();
  const last = new Map(students.map((student) => [student, Promise.resolve()]));
  for (let i = 0; i < perSecond * seconds && !isOver(); i++) {
    const due = began + (i * 1000) / perSecond;
    const wait = due - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    const student = students[i % students.length];
    last.set(
      student,
      last.get(student).then(() => send(student)),
    );
  }
  await Promise.all(last.values());
}
