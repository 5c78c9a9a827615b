/** The instant at which clocks of a zone show a wall time, given as if it were UTC. */
export function inZone(wall: number, zone: string): Date {
  const first = wall - offsetOf(new Date(wall), zone);
  return new Date(wall - offsetOf(new Date(first), zone));
}

function offsetOf(at: Date, zone: string): number {
  const parts = Object.fromEntries(
    formatOf(zone)
      .formatToParts(at)
      .map(({ type, value }) => [type, Number(value)]),
  );
  const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = parts;
  return Date.UTC(year, month - 1, day, hour % 24, minute, second) - at.getTime();
}

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known =
    formats.get(zone) ??
    new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
      hourCycle: 'h23',
    });
  formats.set(zone, known);
  return known;
}

/** Whether a time zone is known by its name. */
export function isZone(name: string): boolean {
  try {
    formatOf(name);
    return true;
  } catch {
    return false;
  }
}
