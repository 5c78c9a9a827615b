import type { Amount, Device, Material, Mix, Protocol, Source } from '../house/house';
import type { Technique } from '../house/technique';
import { offeredOf } from '../house/offered';
import { partsOf, sourceKey } from '../house/sources';
import { REMOVALS, TOOLS, type RemovalWay, type Tool } from '../house/ways';
import type { DeviceId, MixId, ProtocolId } from '../house/ids';
import type { OwnFinding } from '../house/traits';
import { ACTIONS, PHASES, type Action, type Phase } from '../house/actions';
import type { CountedMeasure } from '../quantity/measures';
import type { StatedUnit } from '../quantity/unit';
import type { HouseSettings } from '../house/settings';
import { ZONE_SETS, type ZoneSet } from '../zone/zoneSets';
import { type ZoneId } from '../zone/zones';
import { ZONE_IDS } from '../zone/zoneOrder';
import { zoneName } from '../zone/zoneNames';
import { keyOf } from './tokens';

/** What a unit word makes of the number before it. */
export type UnitWord =
  | { readonly how: 'measured'; readonly unit: StatedUnit }
  | { readonly how: 'counted'; readonly measure: CountedMeasure }
  | { readonly how: 'packs' }
  | { readonly how: 'batches' }
  | { readonly how: 'fingertip' }
  | { readonly how: 'coat-weight' }
  | { readonly how: 'named'; readonly name: string };

/** Phrases and what they mean; a phrase may mean several things. */
export class Phrases<T> {
  readonly #meanings = new Map<string, { readonly name: string; readonly value: T }[]>();
  #longest = 1;

  /** Adds a meaning of `phrase`; `name` is how it is written. */
  add(phrase: string, value: T, name = phrase): void {
    const key = keyOf(phrase);
    if (key === '') return;
    const known = this.#meanings.get(key);
    if (known) known.push({ name, value });
    else this.#meanings.set(key, [{ name, value }]);
    this.#longest = Math.max(this.#longest, key.split(' ').length);
  }

  /** The most words that a phrase has. */
  get longest(): number {
    return this.#longest;
  }

  meanings(key: string): readonly { readonly name: string; readonly value: T }[] {
    return this.#meanings.get(key) ?? [];
  }

  /** Every phrase with its key, in the order of adding. */
  all(): readonly { readonly key: string; readonly name: string; readonly value: T }[] {
    return [...this.#meanings].flatMap(([key, meanings]) =>
      meanings.map((meaning) => ({ key, ...meaning })),
    );
  }
}

/** Everything that a line may name. */
export interface Vocabulary {
  readonly actions: Phrases<Action>;
  readonly phases: Phrases<Phase>;
  readonly units: Phrases<UnitWord>;
  readonly coats: Phrases<string>;
  readonly products: Phrases<Source>;
  readonly zones: Phrases<readonly ZoneId[]>;
  readonly tools: Phrases<Tool>;
  readonly devices: Phrases<DeviceId>;
  readonly removals: Phrases<RemovalWay>;
  readonly mixes: Phrases<MixId>;
  /** places that go by a name of the house */
  readonly ownZones: readonly ZoneSet[];
  readonly protocols: Phrases<ProtocolId>;
  /** ways of working by a name of the house */
  readonly techniques: Phrases<Technique>;
  /** what is looked for in this house besides the usual */
  readonly findings: Phrases<OwnFinding>;
  /** by the id of a material or mix */
  readonly nameOf: (source: Source) => string | undefined;
  /** how a bare number of a product is meant: pieces, or packs of single doses; nothing where it must be said */
  readonly bareUnit: (source: Source) => UnitWord | undefined;
}

/** What of a house a line may name. */
export interface Named {
  readonly materials: readonly Material[];
  readonly mixes: readonly Mix[];
  readonly devices: readonly Device[];
  readonly protocols: readonly Pick<Protocol, 'id' | 'name'>[];
  readonly settings?: Pick<HouseSettings, 'ownZones' | 'techniques' | 'vessels' | 'findings'>;
}

const UNIT_WORDS: readonly [UnitWord, readonly string[]][] = [
  [{ how: 'measured', unit: 'ml' }, ['ml', 'millilitres']],
  [{ how: 'measured', unit: 'g' }, ['g', 'grams', 'gram']],
  [{ how: 'measured', unit: 'piece' }, ['pieces', 'piece', 'pc']],
  [{ how: 'measured', unit: 'tsp' }, ['tsp', 'teaspoons', 'teaspoon']],
  [{ how: 'measured', unit: 'tbsp' }, ['tbsp', 'tablespoons', 'tablespoon']],
  [{ how: 'measured', unit: 'us-fl-oz' }, ['fl oz', 'fluid ounces', 'fluid ounce']],
  [{ how: 'measured', unit: 'oz' }, ['oz', 'ounces', 'ounce']],
  [{ how: 'counted', measure: 'pump' }, ['pumps', 'pump']],
  [{ how: 'counted', measure: 'drop' }, ['drops', 'drop']],
  [{ how: 'counted', measure: 'dropper' }, ['droppers', 'dropper', 'dropperful', 'dropperfuls']],
  [{ how: 'counted', measure: 'spray' }, ['sprays', 'spray']],
  [{ how: 'counted', measure: 'spatula' }, ['spatulas', 'spatula']],
  [
    { how: 'packs' },
    [
      'packs',
      'pack',
      'sachets',
      'sachet',
      'ampoules',
      'ampoule',
      'capsules',
      'capsule',
      'sheets',
      'sheet',
    ],
  ],
  [{ how: 'batches' }, ['batches', 'batch', 'whole batches', 'whole batch']],
  [{ how: 'fingertip' }, ['ftu', 'fingertip units', 'fingertip unit']],
  [{ how: 'coat-weight' }, ['mg/cm2', 'mg/cm²']],
];

/** How each way of a number is written. */
export function unitWritten(
  amount: Exclude<Amount, { how: 'coat' | 'all' | 'rest' }>,
  one = false,
): string {
  if (amount.how === 'named') return amount.name;
  const found = UNIT_WORDS.find(([unit]) => {
    switch (unit.how) {
      case 'measured':
        return amount.how === 'measured' && amount.unit === unit.unit;
      case 'counted':
        return amount.how === 'counted' && amount.measure === unit.measure;
      default:
        return amount.how === unit.how;
    }
  });
  const [many, single] = found?.[1] ?? [];
  return (
    (one && (amount.how !== 'measured' || amount.unit === 'piece') && amount.how !== 'coat-weight'
      ? single
      : many) ?? amount.how
  );
}

const OWN = 'own-';
const written = (word: string): string => word.replaceAll('-', ' ');

/** Everything that can be named in a house: its shelf, devices and protocols, zones, actions, ways. */
export function vocabularyOf({
  materials,
  mixes,
  devices,
  protocols,
  settings,
}: Named): Vocabulary {
  const ownZones = settings?.ownZones ?? [];
  const words: Omit<Vocabulary, 'nameOf' | 'bareUnit'> = {
    ownZones,
    actions: new Phrases(),
    phases: new Phrases(),
    units: new Phrases(),
    coats: new Phrases(),
    products: new Phrases(),
    zones: new Phrases(),
    tools: new Phrases(),
    devices: new Phrases(),
    removals: new Phrases(),
    mixes: new Phrases(),
    protocols: new Phrases(),
    techniques: new Phrases(),
    findings: new Phrases(),
  };
  for (const finding of settings?.findings ?? [])
    words.findings.add(written(finding.slice(OWN.length)), finding);
  for (const { name, technique } of settings?.techniques ?? [])
    words.techniques.add(name, technique);
  for (const action of ACTIONS) words.actions.add(action, action);
  for (const phase of PHASES) words.phases.add(phase, phase, written(phase));
  for (const [unit, names] of UNIT_WORDS) for (const name of names) words.units.add(name, unit);
  for (const coat of ['thin', 'standard', 'generous']) words.coats.add(coat, coat);
  const named = new Set<string>(settings?.vessels?.map(({ name }) => name));
  const coats = new Set<string>();
  for (const material of materials) {
    material.measures.named?.forEach(({ name }) => named.add(name));
    material.measures.coats?.forEach(({ name }) => coats.add(name));
    if (material.archivedOn !== undefined) continue;
    words.products.add(material.name, { kind: 'material', materialId: material.id });
    for (const { id, name } of partsOf(material)) {
      const source = { kind: 'material', materialId: material.id, part: id } as const;
      words.products.add(name, source);
    }
  }
  for (const name of named) {
    words.units.add(name, { how: 'named', name });
    if (!named.has(`${name}s`)) words.units.add(`${name}s`, { how: 'named', name }, name);
  }
  for (const coat of coats) words.coats.add(coat, coat);
  if (!coats.has('thick')) words.coats.add('thick', 'generous', 'generous');
  for (const mix of offeredOf(mixes)) {
    words.products.add(mix.name, { kind: 'mix', mixId: mix.id });
    words.mixes.add(mix.name, mix.id);
  }
  for (const { name, zones } of ownZones) words.zones.add(name, zones);
  for (const zone of ZONE_IDS) words.zones.add(zoneName(zone), [zone]);
  for (const { name, zones } of ZONE_SETS) words.zones.add(name, zones);
  words.zones.add('neck', ['neck-front'], 'neck front');
  for (const tool of TOOLS) words.tools.add(tool, tool);
  for (const device of offeredOf(devices)) words.devices.add(device.name, device.id);
  for (const way of REMOVALS) words.removals.add(written(way), way);
  for (const protocol of offeredOf(protocols)) words.protocols.add(protocol.name, protocol.id);

  const names = new Map<string, string>([
    ...materials.map((each): [string, string] => [each.id, each.name]),
    ...mixes.map((each): [string, string] => [each.id, each.name]),
    ...materials.flatMap((material) =>
      partsOf(material).map(({ id, name }): [string, string] => [`${material.id}/${id}`, name]),
    ),
  ]);
  const bare = new Map<string, UnitWord>();
  for (const { id, kind, unit } of materials) {
    if (kind === 'single-dose') bare.set(id, { how: 'packs' });
    else if (unit === 'piece') bare.set(id, { how: 'measured', unit: 'piece' });
  }
  for (const material of materials) {
    for (const { id, unit } of partsOf(material)) {
      const word: UnitWord = unit === 'piece' ? { how: 'measured', unit } : { how: 'packs' };
      bare.set(`${material.id}/${id}`, word);
    }
  }
  return {
    ...words,
    bareUnit: (source) => bare.get(sourceKey(source)),
    nameOf: (source) => names.get(sourceKey(source)),
  };
}

/** Things in a row: a, b or c. */
export function listed(names: readonly string[]): string {
  return names.length < 2
    ? (names[0] ?? '')
    : `${names.slice(0, -1).join(', ')} or ${names.at(-1) ?? ''}`;
}
