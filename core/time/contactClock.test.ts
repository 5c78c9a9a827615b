import { describe, expect, it } from 'vitest';
import type { LayerGroup, Step } from '../house/house';
import { asId } from '../house/ids';
import { cleanser, dose, measured, minutes, protocol, step } from '../testing/sample';
import { withContactClocks } from './contactClock';
import { scheduleOf, type ContactCap } from './schedule';

const settings = { slotGridMinutes: 5, slotQuantile: 0.9, paceSpread: 0 };
const face = { zones: ['face'] as const };
const acid = dose(cleanser().id, measured(1, 'ml'));
const other = dose(asId('other'), measured(1, 'ml'));
const contactsOf = (
  steps: readonly Step[],
  groups: readonly LayerGroup[] = [],
): (ContactCap | undefined)[] => {
  const written = { ...protocol([]), steps, layerGroups: groups };
  const schedule = scheduleOf(written, 'returning', settings);
  if (!schedule.ok) throw new Error(JSON.stringify(schedule.problems));
  return withContactClocks(schedule.value, written, 'returning', settings).rows.flatMap((row) =>
    row.contact ? [row.contact] : [],
  );
};
const on = (changes: Partial<Step> = {}): Step =>
  step('on', minutes(2), { ...face, doses: [acid], ...changes });
const rest = (cap: number, changes: Partial<Step> = {}): Step =>
  step('rest', minutes(8), { ...face, capMinutes: cap, capSince: 'first-touch', ...changes });
const off = (changes: Partial<Step> = {}): Step =>
  step('off', minutes(3), { ...face, action: 'remove', ...changes });

describe('a contact clock (R4)', () => {
  it('runs from the first touch, application included, until it comes off', () => {
    const [contact] = contactsOf([step('before', minutes(5), face), on(), rest(10), off()]);
    expect(contact).toMatchObject({ capMinutes: 10, expectedMinutes: 10, chancePast: 0 });
    expect(contact?.clock).toEqual({
      startsAt: 5,
      firstZoneMinutes: 10,
      lastZoneMinutes: 8,
      chancePast: 0,
      neverEnds: false,
    });
  });

  it('goes on over what lies on it and what is done until it comes off', () => {
    const [contact] = contactsOf([
      on(),
      rest(10),
      step('sheet over it', minutes(4), { ...face, doses: [other] }),
      step('hands', minutes(6), { zones: ['hands'] }),
      off(),
    ]);
    expect(contact).toMatchObject({ expectedMinutes: 20, chancePast: 1 });
  });

  it('is of what is put on, not of the gauze that carries it, nor of what goes into steam', () => {
    const gauze = dose(asId('gauze'), measured(1, 'piece'));
    const before = step('degrease', minutes(4), { ...face, doses: [other, gauze] });
    const [carried] = contactsOf([before, on({ doses: [acid, gauze] }), rest(10), off()]);
    expect(carried?.clock).toMatchObject({ startsAt: 4, firstZoneMinutes: 10 });
    const steam = step('steam', minutes(4), { ...face, doses: [{ ...acid, into: 'steam' }] });
    const [after] = contactsOf([steam, on(), rest(10), off()]);
    expect(after?.clock).toMatchObject({ startsAt: 4, firstZoneMinutes: 10 });
    /* A sheet that is put on by itself is what lies there. */
    const sheet = on({ doses: [gauze] });
    expect(contactsOf([sheet, rest(10), off()])[0]?.clock).toMatchObject({ firstZoneMinutes: 10 });
  });

  it('goes on over layers and the waits between them', () => {
    const group: LayerGroup = {
      id: asId('g'),
      name: 'Layers',
      layers: { first: 1, returning: 3 },
      between: { wait: minutes(1) },
    };
    const contacts = contactsOf(
      [
        on({ layerGroupId: group.id }),
        rest(40, { minutes: minutes(4), layerGroupId: group.id }),
        off(),
      ],
      [group],
    );
    expect(contacts.map((each) => each?.expectedMinutes)).toEqual([20, 20, 20]);
    expect(contacts[2]?.clock).toMatchObject({ startsAt: 0, lastZoneMinutes: 18 });
  });

  it('begins anew after something was taken off, and elsewhere is not counted', () => {
    const [contact] = contactsOf([
      on(),
      off(),
      on({ zones: ['hands'] }),
      on({ minutes: minutes(1) }),
      rest(10),
      off({ zones: ['hands'] }),
      off(),
    ]);
    expect(contact?.clock).toMatchObject({ startsAt: 7, firstZoneMinutes: 12 });
  });

  it('is of the product that lies there, and not of what came off before it in the same step', () => {
    const wash = step('wash', minutes(3), {
      ...face,
      doses: [other],
      removal: { how: 'warm-water' },
    });
    const tone = step('tone', minutes(1), { ...face, doses: [other] });
    const [contact] = contactsOf([wash, tone, on(), rest(10), off()]);
    expect(contact?.clock).toMatchObject({ startsAt: 4, firstZoneMinutes: 10 });
  });

  it('never ends where nothing takes it off', () => {
    const [contact] = contactsOf([on(), rest(10), step('tea', minutes(4))]);
    expect(contact?.clock).toMatchObject({ neverEnds: true, firstZoneMinutes: 14 });
  });

  it('is as before where it is counted in its step', () => {
    const [contact] = contactsOf([on(), rest(10, { capSince: undefined }), off()]);
    expect(contact).toEqual({ capMinutes: 10, expectedMinutes: 8, chancePast: 0 });
  });

  it('has the chance of all of it, not of one step', () => {
    const spread = { least: 1, usual: 2, most: 4 };
    const [contact] = contactsOf([on({ minutes: spread }), rest(9), off()]);
    /* 8 min are fixed: it is past where putting it on takes more than a minute, which is always. */
    expect(contact?.chancePast).toBeGreaterThan(0.99);
    const [further] = contactsOf([on({ minutes: spread }), rest(12), off()]);
    expect(further?.chancePast).toBeLessThan(0.01);
  });
});
