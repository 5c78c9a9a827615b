import type { House, Minutes } from '@bienestar/core/house/house';
import type { Lesson, LessonCause, Measured } from '@bienestar/core/learn/lesson';
import type { SeenShare } from '@bienestar/core/learn/wilson';
import { lineOfStep } from '@bienestar/core/protocol/expandBlocks';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { spoken } from '../../format/protocolWords';
import { minutesWords } from '../../format/amountWords';
import { counted, dayText, number, percent, weekdayName } from '../../format/figures';
import { dayOf } from '@bienestar/core/days/days';

/** A lesson in words. */
export interface LessonSaid {
  /** what is so, in a sentence */
  readonly sentence: string;
  /** where, on a line of its own */
  readonly where: string;
  /** why it is said, and how sure it is */
  readonly reason: string;
  /** what adopting it writes; what to do about it where nothing can be written */
  readonly advice: string;
}

type About = Lesson['about'];

/** A lesson in words. */
export function lessonWords({ about, sure }: Lesson, house: House): LessonSaid {
  const certain = sure === 'sure' ? 'This is sure.' : 'This is likely; more visits will tell.';
  const said = wordsOf(about, house);
  return { ...said, reason: `${said.reason} ${certain}` };
}

function wordsOf(about: About, house: House): LessonSaid {
  const name = namesIn(house);
  switch (about.kind) {
    case 'minutes': {
      const { protocolId, stepId, written, proposed, measured, isPastCap } = about;
      const step = stepName(house, protocolId, stepId);
      const took = `${number(measured.mean, 1)} min`;
      return {
        sentence: `“${step}” takes ${took}${causeWords(measured.cause, house)}; written are ${minutesWords(written)}.`,
        where: name.protocol(protocolId),
        reason: `${seenWords(measured)}: on average between ${number(measured.low, 1)} and ${number(measured.high, 1)} min.`,
        advice: isPastCap
          ? `It would stay on longer than it may: this is nothing to write, but to do otherwise.`
          : measured.cause.is === 'kind'
            ? `Write it otherwise${causeWords(measured.cause, house)}: ${rangeWords(proposed)}.`
            : `Write ${rangeWords(proposed)}.`,
      };
    }
    case 'amount': {
      const { protocolId, stepId, materialId, factor, told, measured, written } = about;
      const step = stepName(house, protocolId, stepId);
      const { unit, called } = name.material(materialId);
      const usual = number(written.usual * factor, 1);
      return {
        sentence: `${called} in “${step}” is ${moreWords(measured.mean - 1)} than written${causeWords(measured.cause, house)}.`,
        where: name.protocol(protocolId),
        reason: `${seenWords(measured)}, ${told === measured.n ? 'told in each' : `told in ${number(told, 0)} of them`}: between ${percent(measured.low - 1, 0)} and ${percent(measured.high - 1, 0)} off.`,
        advice:
          measured.cause.is === 'person'
            ? `Show it once more, or write about ${usual} ${unit} for everybody.`
            : measured.cause.is === 'kind'
              ? `Write it otherwise${causeWords(measured.cause, house)}: about ${usual} ${unit}.`
              : `Write about ${usual} ${unit}.`,
      };
    }
    case 'measure': {
      const { materialId, measure, factor, measured } = about;
      const { called } = name.material(materialId);
      return {
        sentence: `One ${measure} of ${called} gives ${moreWords(measured.mean - 1)} than the shelf says${causeWords(measured.cause, house)}.`,
        where: 'Shelf',
        reason: `${seenWords(measured)} were weighed; all that is counted of it went off at once, whoever did it, so it is the ${measure} and no hand.`,
        advice: `Count one ${measure} as ${percent(factor - 1, 0)} more on the shelf.`,
      };
    }
    case 'setting': {
      const { protocolId, stepId, setting, measured } = about;
      const where = zonesSaid(setting.zones, house.settings.ownZones).join(', ');
      return {
        sentence: `${spoken(setting.kind)} on ${where} in “${stepName(house, protocolId, stepId)}” is set to ${moreWords(measured.mean - 1)} than written${causeWords(measured.cause, house)}.`,
        where: name.protocol(protocolId),
        reason: `${seenWords(measured)}: between ${percent(measured.low - 1, 0)} and ${percent(measured.high - 1, 0)} off.`,
        advice:
          'Look at it together, with the maker’s instructions: what a device is set to is not written by a log.',
      };
    }
    case 'batch': {
      const { materialId, measured } = about;
      return {
        sentence: `${name.material(materialId).called} goes ${moreWords(measured.mean - 1)} than before${causeWords(measured.cause, house)}, however it is measured.`,
        where: 'Shelf',
        reason: `${seenWords(measured)} were weighed, counted and spread alike: it is the batch and no hand.`,
        advice:
          'Look at the batch, or ask the supplier. It ends with the lot, so nothing is written.',
      };
    }
    case 'slot': {
      const { serviceId, weekday, slotMinutes, promised, held } = about;
      const when = weekday === undefined ? '' : ` on ${weekdayName(weekday, 'long')}s`;
      const service = house.services.find(({ id }) => id === serviceId)?.name ?? 'A service';
      const isShort = held.share < promised;
      return {
        sentence: isShort
          ? `The slot of ${service}${when} holds ${percent(held.share, 0)} of its visits, not ${percent(promised, 0)}.`
          : `The slot of ${service} is longer than it need be.`,
        where: service,
        reason: shareWords(held, `ended within ${number(slotMinutes, 0)} min`),
        advice:
          weekday === undefined
            ? 'The slot follows from the minutes of its steps: correct those that take longer.'
            : 'On other days it holds: look at what is different on that day, or book a longer slot then.',
      };
    }
    case 'if-needed': {
      const { protocolId, stepId, usually, done } = about;
      const isDone = usually === 'done';
      return {
        sentence: `“${stepName(house, protocolId, stepId)}” is needed in ${percent(done.share, 0)} of visits; written is that it usually is ${isDone ? 'done' : 'left out'}.`,
        where: name.protocol(protocolId),
        reason: shareWords(done, 'needed it'),
        advice: `Write that it is usually ${isDone ? 'left out' : 'done'}.`,
      };
    }
    case 'take-up': {
      const { protocolId, materialId, expected, bought } = about;
      return {
        sentence: `${percent(bought.share, 0)} of guests buy ${name.material(materialId).called}, not ${percent(expected, 0)}.`,
        where: name.protocol(protocolId),
        reason: shareWords(bought, 'bought it'),
        advice: `Expect ${percent(bought.share, 0)}.`,
      };
    }
    case 'pace': {
      const { written, seen, proposed, visits } = about;
      return {
        sentence: `Visits are slower or quicker as a whole by ${percent(seen, 0)}, not by ${percent(written, 0)}.`,
        where: 'All protocols',
        reason: `Seen in ${counted(visits, 'visit')}: the two halves of one visit are slow or quick together.`,
        advice: `Reckon with ${percent(proposed)}: slots become safer.`,
      };
    }
  }
}

function namesIn({ protocols, materials }: House) {
  return {
    protocol: (id: string): string =>
      protocols.find((each) => each.id === id)?.name ?? 'A protocol that is gone',
    material: (id: string): { readonly called: string; readonly unit: string } => {
      const found = materials.find((each) => each.id === id);
      return { called: found?.name ?? 'Something that is gone', unit: found?.unit ?? '' };
    },
  };
}

/** What a step is called, also where it stands in a block. */
function stepName(
  { protocols, blocks, editions }: House,
  protocolId: string,
  stepId: string,
): string {
  const own = stepId.slice(stepId.lastIndexOf('.') + 1);
  const line = protocols
    .find(({ id }) => id === protocolId)
    ?.steps.find(({ id }) => id === stepId || id === lineOfStep(stepId as typeof id));
  const inBlock =
    line && 'blockId' in line
      ? blocks.find(({ id }) => id === line.blockId)?.steps.find(({ id }) => id === own)
      : undefined;
  const inEdition = editions
    .find((each) => each.protocolId === protocolId)
    ?.protocol.steps.find(({ id }) => id === stepId);
  return inBlock?.name ?? line?.name ?? inEdition?.name ?? 'a step that is gone';
}

/** Minutes with what is usual: "8.5 to 13 min, usually 11". */
function rangeWords({ least, usual, most }: Minutes): string {
  if (least === most) return minutesWords({ least, usual, most });
  return `${number(least)} to ${number(most)} min, usually ${number(usual)}`;
}

function moreWords(off: number): string {
  return `${percent(Math.abs(off), 0)} ${off > 0 ? 'more' : 'less'}`;
}

function causeWords(cause: LessonCause, { people, settings }: House): string {
  switch (cause.is) {
    case 'everybody':
      return '';
    case 'person':
      return ` with ${people.find(({ id }) => id === cause.personId)?.name ?? 'one person'}`;
    case 'kind':
      return cause.kind.by === 'visit'
        ? ` on ${cause.kind.value === 'first' ? 'first' : 'later'} visits`
        : ` on ${cause.kind.value} skin`;
    case 'since':
      return ` since ${dayText(dayOf(new Date(cause.at), settings.timeZone))}`;
  }
}

function seenWords({ n }: Measured): string {
  return `Seen in ${counted(n, 'visit')}`;
}

function shareWords({ hits, of, low, high }: SeenShare, what: string): string {
  return `${number(hits, 0)} of ${counted(of, 'visit')} ${what}: between ${percent(low, 0)} and ${percent(high, 0)}.`;
}

/** The bounds of minutes or of a share in the picture of a lesson, and how its values are said. */
export interface LessonPicture {
  readonly measured: Measured;
  readonly written: { readonly low: number; readonly usual: number; readonly high: number };
  readonly proposed: { readonly low: number; readonly usual: number; readonly high: number };
  readonly textOf: (value: number) => string;
}

const asBounds = ({ least, usual, most }: Minutes): LessonPicture['written'] => ({
  low: least,
  usual,
  high: most,
});

/** What is drawn of a lesson; nothing of those that are about a share. */
export function lessonPicture({ about }: Lesson): LessonPicture | undefined {
  switch (about.kind) {
    case 'minutes':
      return {
        measured: about.measured,
        written: asBounds(about.written),
        proposed: asBounds(about.proposed),
        textOf: (value) => `${number(value, 1)} min`,
      };
    case 'setting': {
      const { setting, measured } = about;
      const middle = (setting.low + setting.high) / 2;
      const written = { low: setting.low / middle, usual: 1, high: setting.high / middle };
      return { measured, written, proposed: written, textOf: (value) => percent(value, 0) };
    }
    case 'amount':
    case 'measure':
    case 'batch': {
      const { factor, measured } = about;
      const { low, usual, high } = 'written' in about ? about.written : ONE;
      return {
        measured,
        written: { low: low / usual, usual: 1, high: high / usual },
        proposed: { low: (low / usual) * factor, usual: factor, high: (high / usual) * factor },
        textOf: (value) => percent(value, 0),
      };
    }
    case 'slot':
    case 'if-needed':
    case 'take-up':
    case 'pace':
      return undefined;
  }
}

/** A share that is drawn of a lesson, beside the one that is written; nothing of those about figures. */
export function lessonShare({
  about,
}: Lesson):
  | { readonly seen: SeenShare; readonly written: number; readonly words: string }
  | undefined {
  switch (about.kind) {
    case 'slot':
      return {
        seen: about.held,
        written: about.promised,
        words: `promised ${percent(about.promised, 0)}`,
      };
    case 'if-needed':
      return {
        seen: about.done,
        written: HALF,
        words:
          about.usually === 'done' ? 'usually done: above half' : 'usually left out: below half',
      };
    case 'take-up':
      return {
        seen: about.bought,
        written: about.expected,
        words: `expected ${percent(about.expected, 0)}`,
      };
    case 'minutes':
    case 'amount':
    case 'measure':
    case 'setting':
    case 'batch':
    case 'pace':
      return undefined;
  }
}

const HALF = 0.5;
const ONE = { low: 1, usual: 1, high: 1 } as const;
