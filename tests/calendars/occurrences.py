"""Every occurrence in a calendar as vobject understands it, a line each: registration number, start and end in UTC."""

import sys
from datetime import timezone

import vobject


def utc(time):
    return time.astimezone(timezone.utc).strftime("%Y-%m-%dT%H:%M")


with open(sys.argv[1], encoding="utf-8", newline="") as file:
    calendar = vobject.readOne(file.read())

for event in calendar.contents.get("vevent", []):
    number = event.contents["x-registration-number"][0].value
    length = event.dtend.value - event.dtstart.value
    starts = event.getrruleset(addRDate=True) or [event.dtstart.value]
    for start in starts:
        print(number, utc(start), utc(start + length))
