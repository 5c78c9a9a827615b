import { mkdir, writeFile } from 'node:fs/promises';
import { compareHouse } from './compare';
import { lawsBrokenBy } from './laws';
import { lessonsOfSeed } from './lessonsByHand';
import { isShort, playPoint } from './pointByChance';
import { slotsByChance } from './slotByChance';
import { weekOfSeed } from './weekByHand';
import { Lots } from '@bienestar/core/testing/lots';
import { highsSolver } from '@bienestar/core/week/worth/highsSolver';
import loadHighs from 'highs';
import { randomHouse } from '@bienestar/core/testing/randomHouse';

/*
 * npm run verify -- [HOUSES] [SEED]
 * Works out random houses twice: by core, and by a calculation of its own from docs/calculations.md; holds them to
 * the laws; draws visits by chance for their slots, and plays shelves through for their order points. Says how many
 * figures were looked at, and writes the smallest house in which any differs. Exit code 1 where one does.
 */

const [houses = 250, first = 1] = process.argv.slice(2).map(Number);
const VISITS = 8_000;
const ORDERS = 4_000;

const solve = highsSolver(await loadHighs());
const counts = { services: 0, compared: 0, held: 0, slots: 0, learned: 0, week: 0 };
const uncounted = new Map<string, number>();
let differing = 0;
let smallest:
  | { readonly text: string; readonly seed: number; readonly faults: readonly string[] }
  | undefined;
for (let seed = first; seed < first + houses; seed += 1) {
  const house = randomHouse(seed);
  const compared = compareHouse(house);
  const laws = lawsBrokenBy(house);
  const slots = slotsByChance(house, VISITS, seed);
  const learned = lessonsOfSeed(seed);
  const week = weekOfSeed(seed, new Lots(seed), solve);
  counts.services += house.services.length - compared.uncounted.length;
  counts.compared += compared.figures;
  counts.held += laws.figures;
  counts.slots += slots.slots;
  counts.learned += learned.figures;
  counts.week += week.figures;
  for (const code of compared.uncounted) uncounted.set(code, (uncounted.get(code) ?? 0) + 1);
  const faults = [
    ...compared.differences,
    ...laws.broken,
    ...slots.faults,
    ...learned.faults,
    ...week.faults,
  ];
  if (faults.length === 0) continue;
  differing += 1;
  const text = JSON.stringify(house);
  if (!smallest || text.length < smallest.text.length) smallest = { text, seed, faults };
}
const shelves = Array.from({ length: houses }, (_, at) => playPoint(first + at, ORDERS));
const short = shelves.filter(isShort);
process.stdout.write(
  `${houses} houses, ${counts.services} services: ${counts.compared} figures worked out by hand, ${counts.held} held to the laws, ` +
    `${counts.learned} learned from drawn logs, ${counts.week} of drawn weeks, ${counts.slots} slots drawn ${VISITS} times, ${shelves.length} order points played through ${ORDERS} orders\n`,
);
for (const [code, times] of uncounted) process.stdout.write(`not counted: ${times} × ${code}\n`);
for (const one of short.slice(0, 12)) {
  process.stdout.write(`orders come in time less often than asked: ${JSON.stringify(one)}\n`);
}
if (smallest) {
  await mkdir('.bienestar', { recursive: true });
  const path = `.bienestar/differs-${smallest.seed}.json`;
  await writeFile(path, smallest.text);
  process.stdout.write(
    `${differing} houses differ; the smallest is that of seed ${smallest.seed} (${path}):\n${smallest.faults.slice(0, 12).join('\n')}\n`,
  );
}
if (smallest || short.length > 0) process.exitCode = 1;
