import type { ClientTraits } from '../house/client';
import {
  BUILDS,
  CONDITIONS,
  COURSE_VISITS,
  DAY_TIMES,
  EVERY_VISITS,
  PHOTOTYPES,
  SEASONS,
  SINCE_LAST,
  SKIN_TYPES,
  VISIT_KINDS,
} from '../house/traits';
import type { HouseSettings } from '../house/settings';
import type { ChoosingBy } from '../house/ways';

/** The values of each thing that a choice may look at; none where it is decided at the couch. */
export const CHOOSING_VALUES: Readonly<Record<ChoosingBy, readonly string[]>> = {
  'skin-type': SKIN_TYPES,
  phototype: PHOTOTYPES,
  condition: CONDITIONS,
  'visit-kind': VISIT_KINDS,
  'course-visit': [...COURSE_VISITS, ...EVERY_VISITS],
  'since-last': SINCE_LAST,
  'day-time': DAY_TIMES,
  season: SEASONS,
  couch: [],
};

/** What a choice may look at in a house, its own findings among them. */
export function choosingValues(
  by: ChoosingBy,
  { findings = [] }: Pick<HouseSettings, 'findings'>,
): readonly string[] {
  return by === 'condition' ? [...CONDITIONS, ...findings] : CHOOSING_VALUES[by];
}

/** Every value of each trait. */
export const TRAIT_VALUES = {
  skinType: SKIN_TYPES,
  phototype: PHOTOTYPES,
  conditions: CONDITIONS,
  visitKind: VISIT_KINDS,
  courseVisit: COURSE_VISITS,
  sinceLast: SINCE_LAST,
  dayTime: DAY_TIMES,
  season: SEASONS,
  build: BUILDS,
} as const satisfies Record<keyof ClientTraits, readonly string[]>;
