import type { Weekday } from '../../days/days';
import type { Change, Scenario } from '../../house/house';
import type { ChangeId, PersonId, RoomId, ScenarioId } from '../../house/ids';
import type { LeverKind } from './levers';

/**
 * A lever as a scenario, so that what it does to costs and prices can be seen before it is done.
 * @param name of the scenario
 * @param newId an id that was never used
 * @returns nothing for what a scenario cannot have: slots, and pieces of linen
 */
export function leverScenario(
  lever: LeverKind,
  name: string,
  newId: () => ScenarioId & ChangeId & PersonId & RoomId,
): Scenario | undefined {
  const changes = changesOf(lever, newId);
  return changes.length > 0 ? { id: newId(), name, changes } : undefined;
}

function changesOf(lever: LeverKind, newId: () => ChangeId & PersonId & RoomId): readonly Change[] {
  switch (lever.kind) {
    case 'hour-more': {
      const { person, day, spans } = lever;
      return [
        { id: newId(), kind: 'work-hours', personId: person.id, weekday: weekday(day), spans },
      ];
    }
    case 'longer-day': {
      const { day, spans, stay } = lever;
      return [
        { id: newId(), kind: 'open-hours', weekday: weekday(day), spans },
        ...stay.map((each): Change => ({
          id: newId(),
          kind: 'work-hours',
          personId: each.person.id,
          weekday: weekday(day),
          spans: each.spans,
        })),
      ];
    }
    case 'hire': {
      const { id: likeId, name } = lever.like;
      return [{ id: newId(), kind: 'hire', likeId, newId: newId(), name: `Somebody as ${name}` }];
    }
    case 'device': {
      const { id: deviceId, count } = lever.device;
      return [{ id: newId(), kind: 'device-count', deviceId, count: count + 1 }];
    }
    case 'room': {
      const { roomKind } = lever;
      return [{ id: newId(), kind: 'room', newId: newId(), name: 'Another room', roomKind }];
    }
    case 'linen':
    case 'shorter-slots':
      return [];
  }
}

/** @param day counted from Monday */
function weekday(day: number): Weekday {
  return (day + 1) as Weekday;
}
