import type {
  Amount,
  Block,
  Choice,
  Conditional,
  Device,
  Dose,
  LayerGroup,
  Line,
  Material,
  Minutes,
  Mix,
  Step,
  Writing,
} from '../house/house';
import { asId } from '../house/ids';
import { hangingOn, optionsOf } from '../house/protocol';
import { CONDITIONS, DAY_TIMES, SKIN_TYPES } from '../house/traits';
import type { ZoneId } from '../zone/zones';
import type { Lots } from './lots';

const ZONES: readonly ZoneId[] = [
  'face',
  'forehead',
  'nose',
  'neck-front',
  'decollete',
  'hands',
  'forearms',
  'back',
  'lower-legs',
];

export const exactly = (value: number) => ({ low: value, usual: value, high: value });

export function triple(lots: Lots, least: number, most: number) {
  const usual = lots.typed(least, most);
  if (lots.is(0.5)) return exactly(usual);
  return {
    low: Number((usual * lots.between(0.5, 1)).toFixed(2)),
    usual,
    high: Number((usual * lots.between(1, 2)).toFixed(2)),
  };
}

/** Writes protocols and blocks. */
export class RandomWriting {
  #made = 0;

  constructor(
    private readonly lots: Lots,
    private readonly materials: readonly Material[],
    private readonly mixes: readonly Mix[],
    private readonly devices: readonly Device[],
  ) {}

  writing(blocks: readonly Block[], steps: number): Writing {
    const { lots } = this;
    const choices = this.#choices();
    const layers = {
      id: asId<never>(this.#id('layers')),
      name: 'Layers',
      layers: { first: lots.whole(1, 3), returning: lots.whole(1, 4) },
      ...(lots.is(0.5) && { between: { wait: this.#minutes() } }),
      ...(lots.is(0.2) && { halves: true as const }),
      ...this.#otherLayers(choices),
    };
    const lines: Line[] = [
      this.#step('set-up', choices, { by: lots.one(['therapist', 'assistant']) }),
    ];
    /* One step for everybody, so that nobody is left with nothing. */
    lines.push(this.#step('visit', []));
    for (let at = 0; at < steps; at += 1) {
      if (blocks.length > 0 && lots.is(0.2)) {
        lines.push({
          id: asId(this.#id('line')),
          stretch: 'visit',
          name: 'A block',
          blockId: lots.one(blocks).id,
          ...this.#option(choices, 0.5),
        });
        continue;
      }
      const host = this.#step('visit', choices);
      lines.push(host);
      if (lots.is(0.35)) {
        lines.push(
          this.#step('visit', choices, {
            meanwhileOf: host.id,
            by: lots.one(['therapist', 'assistant']),
          }),
        );
      }
    }
    const layered = lots.is(0.6);
    if (layered) {
      for (let at = 0; at < 2; at += 1) {
        lines.push({
          ...this.#step('visit', choices),
          layerGroupId: layers.id,
          ...(at === 1 &&
            lots.is(0.5) && { inLayers: lots.one(['first', 'last', 'all-but-last'] as const) }),
        });
      }
    }
    lines.push(this.#step('reset', []));
    return { steps: lines, layerGroups: layered ? [layers] : [], choices };
  }

  #id(of: string): string {
    this.#made += 1;
    return `${of}-${this.#made}`;
  }

  #choices(): Choice[] {
    const { lots } = this;
    const skin: Choice = {
      id: asId(this.#id('choice')),
      name: 'Skin',
      by: 'skin-type',
      take: 'first',
      options: [
        { id: asId(this.#id('option')), name: 'Some', for: [lots.one(SKIN_TYPES)] },
        { id: asId(this.#id('option')), name: 'Others', for: [] },
      ],
    };
    const time: Choice = {
      ...skin,
      id: asId(this.#id('choice')),
      name: 'When',
      by: 'day-time',
      options: [{ id: asId(this.#id('option')), name: 'Then', for: [lots.one(DAY_TIMES)] }],
      noneIsFine: true,
    };
    const seen: Choice = {
      ...time,
      id: asId(this.#id('choice')),
      name: 'Seen',
      by: 'condition',
      take: 'each',
      options: CONDITIONS.slice(0, 2).map((each) => ({
        id: asId(this.#id('option')),
        name: each,
        for: [each],
      })),
    };
    return [skin, time, seen];
  }

  #option(choices: readonly Choice[], chance: number): Conditional {
    if (choices.length === 0 || !this.lots.is(chance)) return {};
    const choice = this.lots.one(choices);
    const option = { choiceId: choice.id, optionId: this.lots.one(choice.options).id };
    const joined = this.#option(
      choices.filter((each) => each !== choice),
      0.2,
    );
    return hangingOn([option, ...optionsOf(joined)]);
  }

  #minutes(): Minutes {
    const { lots } = this;
    if (lots.is(0.3)) {
      const fixed = lots.one([0.25, 1, 2.5, 1 / 3, lots.typed(1, 20)]);
      return { least: fixed, usual: fixed, most: fixed };
    }
    const least = lots.typed(0.5, 12);
    const usual = Number((least + lots.typed(0.1, 6)).toFixed(1));
    return { least, usual, most: Number((usual + lots.typed(0.1, 8)).toFixed(1)) };
  }

  #step(stretch: Step['stretch'], choices: readonly Choice[], changes: Partial<Step> = {}): Step {
    const { lots } = this;
    const device = lots.one(this.devices);
    return {
      id: asId(this.#id('step')),
      stretch,
      name: this.#id('Step'),
      by: 'therapist',
      hands: lots.one(['hands-on', 'hands-on', 'watching', 'free']),
      minutes: this.#minutes(),
      zones: [lots.one(ZONES), lots.one(ZONES)],
      ...(lots.is(0.15) && { never: [lots.one(ZONES)] }),
      doses: Array.from({ length: lots.whole(0, 3) }, () => this.#dose(choices)),
      ...(lots.is(0.2) && { device: { deviceId: device.id, settings: [] } }),
      ...(lots.is(0.2) && { running: [lots.one(this.devices).id] }),
      ...(lots.is(0.15) && {
        removal: {
          how: 'warm-towel' as const,
          taking: { materialId: asId<Material['id']>('towel'), pieces: lots.whole(1, 3) },
        },
      }),
      ...(lots.is(0.2) && { gloves: 'plain' as const }),
      ...(lots.is(0.2) && {
        optional: { usually: lots.one(['done', 'left-out'] as const), if: 'it is' },
      }),
      ...(lots.is(0.1) && { makes: [lots.one(this.mixes).id] }),
      ...(stretch === 'set-up' && lots.is(0.1) && { holdsMinutes: lots.whole(10, 120) }),
      ...(lots.is(0.25) && { capMinutes: lots.whole(2, 40), capSince: 'first-touch' as const }),
      ...this.#otherwise(choices),
      ...this.#option(choices, 0.3),
      ...changes,
      ...(stretch !== 'visit' && { optional: undefined, option: undefined, also: undefined }),
    };
  }

  #otherLayers(choices: readonly Choice[]): Pick<LayerGroup, 'otherwise'> {
    const { lots } = this;
    const on = this.#option(choices, 0.4);
    return on.option
      ? {
          otherwise: [
            {
              ...on,
              option: on.option,
              layers: { first: lots.whole(1, 3), returning: lots.whole(1, 3) },
            },
          ],
        }
      : {};
  }

  /** How a step is otherwise for some. */
  #otherwise(choices: readonly Choice[]): Pick<Step, 'otherwise'> {
    const { lots } = this;
    const otherwise = Array.from({ length: lots.one([0, 0, 1, 2]) }, () => {
      const on = this.#option(choices, 1);
      const says = {
        ...(lots.is(0.6) && { minutes: this.#minutes() }),
        ...(lots.is(0.4) && { zones: [lots.one(ZONES)] }),
        ...(lots.is(0.3) && { gloves: 'plain' as const }),
        ...(lots.is(0.3) && {
          device: { deviceId: lots.one(this.devices).id, settings: [] },
        }),
        hands: lots.one<Step['hands']>(['hands-on', 'watching', 'free']),
      };
      return on.option ? [{ ...on, option: on.option, says }] : [];
    }).flat();
    return otherwise.length > 0 ? { otherwise } : {};
  }

  #dose(choices: readonly Choice[]): Dose {
    const { lots } = this;
    const isMixed = lots.is(0.2);
    const material = lots.one(this.materials.filter(({ id }) => id !== asId('gloves')));
    const mix = lots.one(this.mixes);
    const part = material.kind === 'kit' && !isMixed ? lots.one(material.parts) : undefined;
    if (part) {
      return {
        id: asId(this.#id('dose')),
        source: { kind: 'material', materialId: material.id, part: part.id },
        amount:
          part.unit === 'piece'
            ? { how: 'measured', quantity: exactly(lots.whole(1, 2)), unit: 'piece' }
            : lots.one<Amount>([
                { how: 'packs', quantity: exactly(lots.one([0.5, 1])) },
                { how: 'measured', quantity: triple(lots, 1, 8), unit: 'g' },
              ]),
        opening: 'fresh',
        ...this.#option(choices, 0.2),
      };
    }
    return {
      id: asId(this.#id('dose')),
      source: isMixed
        ? { kind: 'mix', mixId: mix.id }
        : { kind: 'material', materialId: material.id },
      amount: isMixed ? this.#ofMix() : this.#of(material),
      opening: lots.one(['fresh', 'fresh', 'left-over-first']),
      ...(lots.is(0.15) && { over: 'all-layers' as const }),
      ...(!isMixed && material.unit === 'piece' && lots.is(0.3) && { again: true as const }),
      ...this.#option(choices, 0.2),
    };
  }

  #ofMix(): Amount {
    const { lots } = this;
    return lots.one<() => Amount>([
      () => ({ how: 'measured', quantity: triple(lots, 2, 60), unit: lots.one(['ml', 'g']) }),
      () => ({ how: 'coat-weight', mgPerCm2: triple(lots, 2, 40) }),
      () => ({ how: 'all' }),
      () => ({ how: 'rest' }),
    ])();
  }

  #of({ kind, unit, measures }: Material): Amount {
    const { lots } = this;
    if (unit === 'piece') return { how: 'measured', quantity: exactly(lots.whole(1, 6)), unit };
    if (kind === 'single-dose' && lots.is(0.6))
      return { how: 'packs', quantity: exactly(lots.one([0.5, 1, 1.5, 2])) };
    const coats = [
      'thin',
      'standard',
      'generous',
      ...(measures.coats ?? []).map(({ name }) => name),
    ];
    return lots.one<() => Amount>([
      () => ({
        how: 'measured',
        quantity: triple(lots, 0.5, 12),
        unit: lots.one(['ml', 'g', 'tsp', 'tbsp', 'us-fl-oz', 'oz'] as const),
      }),
      () => ({ how: 'fingertip', quantity: triple(lots, 1, 4) }),
      () => ({ how: 'coat', coat: lots.one(coats) }),
      () => ({ how: 'coat-weight', mgPerCm2: triple(lots, 1, 60) }),
      ...(kind === 'back-bar'
        ? [
            (): Amount => ({
              how: 'counted',
              quantity: triple(lots, 1, 5),
              measure: lots.one(['pump', 'spray', 'drop', 'dropper'] as const),
            }),
            (): Amount => ({ how: 'named', quantity: triple(lots, 1, 2), name: 'almond' }),
          ]
        : []),
    ])();
  }
}
