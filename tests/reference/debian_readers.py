"""What Debian's readers of calendar files make of the files of a folder: as JSON, by reader and file, a line for each event
(UID, DTSTART and RECURRENCE-ID as wall times), or what the reader complained of."""

import json
import sys
from pathlib import Path

import gi
import icalendar
import vobject

gi.require_version("ICalGLib", "3.0")
from gi.repository import ICalGLib  # noqa: E402


def text(value):
    """A date as 20261013, a date with a time as 20261013T090000 by its own clock."""
    return value.strftime("%Y%m%dT%H%M%S" if hasattr(value, "hour") else "%Y%m%d") if value else ""


def by_icalendar(raw):
    calendar = icalendar.Calendar.from_ical(raw)
    broken = [str(error) for part in calendar.walk() for error in getattr(part, "errors", [])]
    if broken:
        raise ValueError("; ".join(broken))
    read = lambda event, name: text(event[name].dt) if name in event else ""
    return [f"{event['UID']} {read(event, 'DTSTART')} {read(event, 'RECURRENCE-ID')}" for event in calendar.walk("VEVENT")]


def by_vobject(raw):
    calendar = vobject.readOne(raw.decode())
    calendar.validate(raiseException=True)
    read = lambda event, name: text(getattr(event, name).value) if hasattr(event, name) else ""
    for event in calendar.contents.get("vevent", []):
        if event.rruleset is not None:
            next(iter(event.rruleset), None)
    return [
        f"{event.uid.value} {read(event, 'dtstart')} {read(event, 'recurrence_id')}"
        for event in calendar.contents.get("vevent", [])
    ]


def by_libical(raw):
    calendar = ICalGLib.Parser.parse_string(raw.decode())
    if calendar is None or calendar.count_errors() > 0 or not calendar.check_restrictions():
        raise ValueError(calendar.as_ical_string() if calendar else "nothing was read")
    kind = ICalGLib.ComponentKind.VEVENT_COMPONENT
    lines = []
    event = calendar.get_first_component(kind)
    while event is not None:
        again = event.get_recurrenceid()
        named = "" if again is None or again.is_null_time() else again.as_ical_string()
        lines.append(f"{event.get_uid()} {event.get_dtstart().as_ical_string()} {named}")
        event = calendar.get_next_component(kind)
    return lines


READERS = {"icalendar": by_icalendar, "vobject": by_vobject, "libical": by_libical}


def read(reader, raw):
    try:
        return sorted(line.replace("Z", "") for line in reader(raw))
    except Exception as error:  # whatever it is, the test says so
        return f"{type(error).__name__}: {error}"


files = sorted(Path(sys.argv[1]).glob("*.ics"))
print(json.dumps({name: {file.name: read(reader, file.read_bytes()) for file in files} for name, reader in READERS.items()}))
