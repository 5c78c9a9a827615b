import type { ComponentType } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { PriceEndingsFields } from '../menu/PriceEndingsFields';
import { ECONOMICS } from './economicsWords';
import { PeoplePanel } from './PeoplePanel';
import { RoomsPanel } from './RoomsPanel';
import { TimeZoneChoice } from './TimeZoneChoice';

/** One question of the guided set-up. */
interface Question {
  readonly ask: string;
  /** what it is for, in a sentence */
  readonly why: string;
  readonly Answer: ComponentType;
}

const LEAVING = { commitOn: 'leaving' } as const;
const HIGHEST_FEE = 0.99;

function useRoomCost() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return {
    roomCost: settings.roomCost,
    put: (changes: Partial<HouseSettings['roomCost']>): Promise<string | undefined> =>
      change({ roomCost: { ...settings.roomCost, ...changes } }),
  };
}

function Place() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return (
    <>
      <TextField
        {...LEAVING}
        label="Name of the house"
        needed
        value={settings.name}
        onCommit={(name) => change({ name })}
      />
      <TimeZoneChoice />
      <TextField
        {...LEAVING}
        label="Currency"
        needed
        longest={3}
        hint="three letters, such as EUR"
        value={settings.currency}
        onCommit={(currency) => change({ currency: currency.toUpperCase() })}
      />
      <PercentField
        {...LEAVING}
        label="VAT"
        hint={ECONOMICS.vat}
        value={settings.vat}
        onCommit={(vat) => change({ vat })}
      />
    </>
  );
}

function OnCost() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return (
    <PercentField
      {...LEAVING}
      label="On-cost of pay"
      hint={ECONOMICS.onCost}
      to={3}
      value={settings.onCost}
      onCommit={(onCost) => change({ onCost })}
    />
  );
}

function Bookable() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return (
    <>
      <PercentField
        {...LEAVING}
        label="Bookable share of paid time"
        hint={ECONOMICS.bookableShare}
        from={0.01}
        value={settings.bookableShare}
        onCommit={(bookableShare) => change({ bookableShare })}
      />
      <Segments
        label="A service pays for"
        value={settings.therapistCharge}
        options={[
          { value: 'attended', label: 'attended minutes' },
          { value: 'slot', label: 'the whole slot' },
        ]}
        onChoose={(therapistCharge) => void change({ therapistCharge })}
      />
      <p className="text-xs text-ink-soft">{ECONOMICS.charge}</p>
    </>
  );
}

function Rent() {
  const { roomCost, put } = useRoomCost();
  return (
    <MoneyField
      {...LEAVING}
      label="Rooms, fixed cost a month"
      hint={ECONOMICS.fixedPerMonth}
      value={roomCost.fixedPerMonthMinor}
      onCommit={(fixedPerMonthMinor) => put({ fixedPerMonthMinor })}
    />
  );
}

function Hours() {
  const { roomCost, put } = useRoomCost();
  return (
    <>
      <NumberField
        {...LEAVING}
        label="Open days a month"
        hint={ECONOMICS.openDays}
        value={roomCost.openDaysPerMonth}
        check={within(LIMITS.openDaysPerMonth)}
        onCommit={(openDaysPerMonth) => put({ openDaysPerMonth })}
      />
      <NumberField
        {...LEAVING}
        label="Open hours a day"
        hint={ECONOMICS.openHours}
        value={roomCost.openHoursPerDay}
        check={within(LIMITS.openHoursPerDay)}
        onCommit={(openHoursPerDay) => put({ openHoursPerDay })}
      />
    </>
  );
}

function Occupancy() {
  const { roomCost, put } = useRoomCost();
  return (
    <PercentField
      {...LEAVING}
      label="Planned occupancy"
      hint={ECONOMICS.occupancy}
      from={0.01}
      value={roomCost.occupancy}
      onCommit={(occupancy) => put({ occupancy })}
    />
  );
}

function Fees() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return (
    <>
      <PercentField
        {...LEAVING}
        label="Commission on net"
        hint={ECONOMICS.commission}
        to={HIGHEST_FEE}
        value={settings.commission}
        onCommit={(commission) => change({ commission })}
      />
      <PercentField
        {...LEAVING}
        label="Card fee on the price"
        hint={ECONOMICS.cardFee}
        to={HIGHEST_FEE}
        value={settings.cardFee}
        onCommit={(cardFee) => change({ cardFee })}
      />
    </>
  );
}

function Targets() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return (
    <>
      <PercentField
        {...LEAVING}
        label="Target margin"
        hint={ECONOMICS.targetMargin}
        to={HIGHEST_FEE}
        value={settings.targetMargin}
        onCommit={(targetMargin) => change({ targetMargin })}
      />
      <MoneyField
        {...LEAVING}
        label="A room hour brings"
        hint={ECONOMICS.perRoomHour}
        value={settings.targetPerRoomHourMinor}
        onCommit={(targetPerRoomHourMinor) => change({ targetPerRoomHourMinor })}
      />
    </>
  );
}

/** The ten questions, in the order in which an owner can answer them. */
export const QUESTIONS: readonly Question[] = [
  {
    ask: 'Where are we, and in which money?',
    why: 'Every price carries the tax of its place; every figure is in this money.',
    Answer: Place,
  },
  {
    ask: 'Which rooms can be booked?',
    why: 'What the house costs is shared among its rooms; wet rooms are told apart from dry ones.',
    Answer: RoomsPanel,
  },
  {
    ask: 'Who works here, and for how much?',
    why: 'The hands are the dearest part of a treatment: a service costs the mean of those who perform it.',
    Answer: PeoplePanel,
  },
  {
    ask: 'What comes on top of pay?',
    why: 'An hour costs the house more than the hour that is paid out.',
    Answer: OnCost,
  },
  {
    ask: 'How much of the paid time can be booked?',
    why: 'The minutes at guests must pay for all the others.',
    Answer: Bookable,
  },
  {
    ask: 'What do the rooms cost a month?',
    why: 'They cost the same whether guests come or not.',
    Answer: Rent,
  },
  {
    ask: 'When are you open?',
    why: 'A room earns only while it can be booked.',
    Answer: Hours,
  },
  {
    ask: 'How full do you plan to be?',
    why: 'The hours that are filled pay for those that stay empty.',
    Answer: Occupancy,
  },
  {
    ask: 'Who takes a share of the price?',
    why: 'It is gone before the price pays for anything.',
    Answer: Fees,
  },
  {
    ask: 'What is to be left, and how do prices end?',
    why: 'What is left of a price makes the next good year; how it ends is a habit of the house.',
    Answer: () => (
      <>
        <Targets />
        <PriceEndingsFields />
      </>
    ),
  },
];
