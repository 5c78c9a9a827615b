import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { Choice, House } from '../house/house';
import { asId, type ChoiceId } from '../house/ids';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  sachet,
  service,
  step,
  stockOf,
} from '../testing/sample';
import { createRestocker } from './restocker';
import { whyUnused } from './unused';

const skin = {
  id: asId<ChoiceId>('skin'),
  name: 'By skin',
  by: 'skin-type',
  options: [
    { id: asId('usual'), name: 'usual', for: [], otherwise: true },
    { id: asId('dry'), name: 'dry', for: ['dry'] },
  ],
} as unknown as Choice;
/** Only dry skin takes it, and the service is counted for normal skin. */
const forDry = {
  ...dose(asId('toner'), measured(2, 'ml')),
  option: { choiceId: skin.id, optionId: asId<never>('dry') },
};

function why(id: string, visitsPerWeek: number, changes: Partial<House> = {}) {
  const of = house({
    materials: [cleanser(), sachet(), cleanser({ id: asId('toner'), name: 'Toner' })],
    protocols: [
      protocol([
        step('cleanse', minutes(3), { doses: [dose(cleanser().id, measured(2, 'ml'))] }),
        step('enzyme', minutes(3), { doses: [dose(sachet().id, measured(6, 'g'))] }),
      ]),
    ],
    services: [service()],
    demand: [{ serviceId: service().id, visitsPerWeek }],
    stock: [stockOf(cleanser().id, 48)],
    ...changes,
  });
  const restock = createRestocker()(of, createCalculator()(of), new Date('2026-11-25T12:00:00Z'));
  return whyUnused(asId(id), of, restock);
}

describe('why a material is never ordered', () => {
  it('is nothing where a visit takes it', () => expect(why('cleanser', 14)).toBeUndefined());

  it('is that no service works with it', () =>
    expect(why('toner', 14)).toEqual({ because: 'nowhere' }));

  it('is that its services are not expected', () =>
    expect(why('cleanser', 0)).toMatchObject({
      because: 'no-visits',
      services: [{ id: service().id }],
    }));

  it('is that nobody who is expected gets it', () => {
    const written = protocol([step('tone', minutes(3), { doses: [forDry] })]);
    const protocols = [{ ...written, choices: [skin] }];
    expect(why('toner', 14, { protocols })).toMatchObject({
      because: 'nobody',
      services: [{ id: service().id }],
    });
  });
});
