import { amountText } from '../../format/amountWords';
import type { CardLine, CardWords } from './cardWords';
import type { TrayLine } from './trayWords';

const HANDS_MARKS: Readonly<Record<CardLine['hands'], string>> = {
  'hands-on': '[#]',
  watching: '[=]',
  free: '[ ]',
};

/** A card as plain text: all that stands on it, a line for each thing. */
export function cardText(card: CardWords): string {
  const { title, subtitle, about, cautions, notice, stretches, before, after } = card;
  return [
    title,
    subtitle,
    ...about,
    '[#] hands on  [=] watching  [ ] free',
    ...cautions.flatMap(({ time, stop, others }) => [
      ...(stop === '' ? [] : [`${time}: STOP: ${stop}.`]),
      ...(others === '' ? [] : [`${time}: ${others}`]),
    ]),
    ...stretches.flatMap(({ name, lines }) => ['', name.toUpperCase(), ...lines.flatMap(lineText)]),
    ...noteText('Before the visit', before),
    ...noteText('Afterwards', after),
    ...(notice === undefined ? [] : ['', notice]),
  ].join('\n');
}

function lineText(line: CardLine): string[] {
  const clock = [
    line.guestClock !== undefined && `guest ${line.guestClock}`,
    line.roomClock !== undefined && `room ${line.roomClock}`,
  ].filter((each) => typeof each === 'string');
  const head = [
    line.number === '' ? '  ' : `${line.number}.`,
    line.meanwhile ? 'meanwhile' : '',
    line.name,
    HANDS_MARKS[line.hands],
    line.minutes,
    clock.join(', '),
  ];
  const said = [
    line.when,
    ...line.amounts.map(amountText),
    ...line.mixes,
    ...line.details,
    ...line.asks,
    line.watch === undefined ? undefined : `Watch: ${line.watch}`,
    line.say === undefined ? undefined : `Say: “${line.say}”`,
    line.why === undefined ? undefined : `Why: ${line.why}`,
    line.note === undefined ? undefined : `Note: ${line.note}`,
  ];
  return [
    ...(line.layers === undefined ? [] : [`   ${line.layers}`]),
    head.filter((each) => each !== '').join(' '),
    ...said.flatMap((each) => (each === undefined ? [] : `     ${each}`)),
  ];
}

function noteText(title: string, lines: readonly string[]): string[] {
  return lines.length === 0 ? [] : ['', title, ...lines.map((line) => `  ${line}`)];
}

/** A tray as plain text, in the order of need. */
export function trayText(lines: readonly TrayLine[], waterMl: number): string {
  return [
    'TRAY',
    ...lines.flatMap(({ at, amount, name, note }) => [
      [`${at}:`, amount, name].filter((each) => each !== '').join(' '),
      ...(note === '' ? [] : [`     ${note}`]),
    ]),
    ...(waterMl > 0 ? [`${Math.round(waterMl)} ml of water to take things off with`] : []),
  ].join('\n');
}
