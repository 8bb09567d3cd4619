// Every occurrence in a calendar as ical.js understands it, a line each: registration number, start and end in UTC.
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';

const most = 400;
const calendar = new ICAL.Component(ICAL.parse(readFileSync(process.argv[2], 'utf8')));
for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);

for (const component of calendar.getAllSubcomponents('vevent')) {
  const event = new ICAL.Event(component);
  const number = component.getFirstPropertyValue('x-registration-number');
  const steps = event.iterator();
  for (let at = steps.next(), seen = 0; at; at = steps.next()) {
    if (++seen > most) throw new Error(`${event.uid} never ends`);
    const { startDate, endDate } = event.getOccurrenceDetails(at);
    console.log(`${number} ${utc(startDate)} ${utc(endDate)}`);
  }
}

function utc(time) {
  return time.toJSDate().toISOString().slice(0, 16);
}
