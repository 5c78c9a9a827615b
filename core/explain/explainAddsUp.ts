import type { HouseBreakEven, Recovered } from '../figures/recovery';
import { figure, worked, type Origin, type Working } from './working';

const HOUSE: Origin = { place: 'house' };

const WORDS = {
  rooms: {
    title: 'Room time that the plan fills',
    charged: 'Charged to the planned visits for rooms, a month',
    paid: 'Rooms, fixed cost a month',
    assumed: 'Planned occupancy, as the figures go by',
  },
  pay: {
    title: 'Paid time that the plan fills',
    charged: 'Charged to the planned visits for pay that is owed anyhow, a month',
    paid: 'Pay that is owed whether or not somebody comes, with on-cost, a month',
    assumed: 'Bookable share, as the figures go by',
  },
} as const;

/**
 * The working of the share of rooms or paid time that the planned week fills: at which what is charged would be
 * what is paid.
 * @see C8
 */
export function explainImplied(of: keyof typeof WORDS, recovered: Recovered): Working {
  const words = WORDS[of];
  return {
    title: words.title,
    codes: ['C8'],
    words:
      'The share that the figures go by × what the planned visits are charged ÷ what is paid: charged at that share, they would bring what is paid.',
    inputs: [
      { label: words.assumed, value: figure(recovered.assumed, 'share'), from: HOUSE },
      { label: words.charged, value: figure(recovered.charged, 'money') },
      { label: words.paid, value: figure(recovered.paid, 'money'), from: HOUSE },
    ],
    result: figure(recovered.implied, 'share'),
  };
}

/**
 * The working of what one more guest of the plan adds, or of the visits that pay rent and all that is owed.
 * @see C9
 */
export function explainBreakEven(of: 'perVisit' | 'visitsNeeded', house: HouseBreakEven): Working {
  const { rentPerMonth, owedPerMonth, addedPerMonth, perVisit, visitsPerMonth, visitsNeeded } =
    house;
  const added: Working = {
    title: 'One more guest adds',
    codes: ['C9'],
    words:
      'What every planned visit adds a month, while rooms and pay that is owed anyhow are paid, ÷ planned visits a month.',
    inputs: [
      {
        label: 'Added by the planned visits, a month',
        value: figure(addedPerMonth, 'money'),
      },
      { label: 'Planned visits a month', value: figure(visitsPerMonth, 'visits/month') },
    ],
    result: figure(perVisit, 'money'),
  };
  if (of === 'perVisit') return added;
  return {
    title: 'Visits a month that pay for all of it',
    codes: ['C9'],
    words: '(Rooms + pay that is owed anyhow, a month) ÷ what one more guest adds.',
    inputs: [
      { label: WORDS.rooms.paid, value: figure(rentPerMonth, 'money'), from: HOUSE },
      { label: WORDS.pay.paid, value: figure(owedPerMonth, 'money'), from: HOUSE },
      worked(added),
    ],
    result: figure(visitsNeeded ?? 0, 'visits/month'),
  };
}
