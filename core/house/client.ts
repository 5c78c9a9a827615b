import type { ZoneId } from '../zone/zones';
import type { ChoiceId, OptionId, StepId } from './ids';
import type {
  Build,
  Condition,
  CourseVisit,
  DayTime,
  Phototype,
  Season,
  SinceLast,
  SkinType,
} from './traits';
import type { VisitKind } from './ways';

/** What is known of a client before the visit or seen at its beginning. */
export interface ClientTraits {
  readonly skinType: SkinType;
  readonly phototype: Phototype;
  readonly conditions: readonly Condition[];
  readonly visitKind: VisitKind;
  readonly courseVisit: CourseVisit;
  readonly sinceLast: SinceLast;
  readonly dayTime: DayTime;
  readonly season: Season;
  readonly build: Build;
}

/** Somebody for whom a protocol is worked: who it is, and what is decided at the couch. */
export interface Client extends ClientTraits {
  /** the option taken where a choice is made at the couch; its usual one unless given */
  readonly decided: ReadonlyMap<ChoiceId, OptionId>;
  /** where findings are seen; all over where it is not said */
  readonly seenOn?: ReadonlyMap<Condition, readonly ZoneId[]>;
  /** whether an optional step is done; as usual unless given */
  readonly optional: ReadonlyMap<StepId, 'done' | 'left-out'>;
}

/** Whom a protocol is shown for unless something else is said. */
export const USUAL_TRAITS: ClientTraits = {
  skinType: 'normal',
  phototype: 'III',
  conditions: [],
  visitKind: 'returning',
  courseVisit: '1',
  sinceLast: '2-to-4-weeks',
  dayTime: 'day',
  season: 'spring',
  build: 'reference',
};

/** A client with `traits`, everything else as usual. */
export function clientWith(traits: Partial<Client> = {}): Client {
  return { ...USUAL_TRAITS, decided: new Map(), optional: new Map(), ...traits };
}
