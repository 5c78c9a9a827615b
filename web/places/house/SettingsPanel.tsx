import { LIMITS, within } from '@bienestar/contract/limits';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { ECONOMICS } from './economicsWords';
import { GradesPanel } from './GradesPanel';
import { Section } from './Section';
import { TimeZoneChoice } from './TimeZoneChoice';

const LEAVING = { commitOn: 'leaving' } as const;

/** Money, hours and measures of the house; every field saves as it is left. */
export function SettingsPanel() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  const { roomCost, referenceClient, coatMgPerCm2, restock } = settings;
  const putRoom = (changes: Partial<HouseSettings['roomCost']>) =>
    change({ roomCost: { ...roomCost, ...changes } });
  return (
    <div className="flex flex-col gap-8">
      <Section title="The house">
        <div className="grid grid-cols-2 gap-3">
          <TextField
            {...LEAVING}
            label="Name"
            needed
            value={settings.name}
            onCommit={(name) => change({ name })}
          />
          <TextField
            {...LEAVING}
            label="Place"
            needed
            value={settings.place}
            onCommit={(place) => change({ place })}
          />
          <TimeZoneChoice />
          <TextField
            {...LEAVING}
            label="Currency"
            needed
            longest={3}
            value={settings.currency}
            hint="three letters, such as EUR"
            onCommit={(currency) => change({ currency: currency.toUpperCase() })}
          />
          <PercentField
            {...LEAVING}
            label="VAT"
            hint={ECONOMICS.vat}
            value={settings.vat}
            onCommit={(vat) => change({ vat })}
          />
        </div>
      </Section>
      <Section title="What time costs">
        <Segments
          label="A therapist is charged for"
          value={settings.therapistCharge}
          options={[
            { value: 'attended', label: 'attended minutes' },
            { value: 'slot', label: 'the whole slot' },
          ]}
          onChoose={(therapistCharge) => void change({ therapistCharge })}
        />
        <p className="text-xs text-ink-soft">{ECONOMICS.charge}</p>
        <div className="grid grid-cols-2 gap-3">
          <PercentField
            {...LEAVING}
            label="On-cost of pay"
            hint={ECONOMICS.onCost}
            to={3}
            value={settings.onCost}
            onCommit={(onCost) => change({ onCost })}
          />
          <PercentField
            {...LEAVING}
            label="Bookable share of paid time"
            hint={ECONOMICS.bookableShare}
            from={0.01}
            value={settings.bookableShare}
            onCommit={(bookableShare) => change({ bookableShare })}
          />
          <MoneyField
            {...LEAVING}
            label="Rooms, fixed cost a month"
            hint={ECONOMICS.fixedPerMonth}
            value={roomCost.fixedPerMonthMinor}
            onCommit={(fixedPerMonthMinor) => putRoom({ fixedPerMonthMinor })}
          />
          <PercentField
            {...LEAVING}
            label="Planned occupancy"
            hint={ECONOMICS.occupancy}
            from={0.01}
            value={roomCost.occupancy}
            onCommit={(occupancy) => putRoom({ occupancy })}
          />
          <NumberField
            {...LEAVING}
            label="Open days a month"
            hint={ECONOMICS.openDays}
            value={roomCost.openDaysPerMonth}
            check={within(LIMITS.openDaysPerMonth)}
            onCommit={(openDaysPerMonth) => putRoom({ openDaysPerMonth })}
          />
          <NumberField
            {...LEAVING}
            label="Open hours a day"
            hint={ECONOMICS.openHours}
            value={roomCost.openHoursPerDay}
            check={within(LIMITS.openHoursPerDay)}
            onCommit={(openHoursPerDay) => putRoom({ openHoursPerDay })}
          />
          <NumberField
            {...LEAVING}
            label="Slots on a grid of"
            hint={ECONOMICS.slotGrid}
            unit="min"
            value={settings.slotGridMinutes}
            check={within(LIMITS.slotGridMinutes)}
            onCommit={(slotGridMinutes) => change({ slotGridMinutes })}
          />
          <PercentField
            {...LEAVING}
            label="Visits that fit in the slot"
            hint={ECONOMICS.slotQuantile}
            from={0.5}
            to={0.999}
            value={settings.slotQuantile}
            onCommit={(slotQuantile) => change({ slotQuantile })}
          />
        </div>
      </Section>
      <GradesPanel />
      <Section title="Fees">
        <div className="grid grid-cols-2 gap-3">
          <PercentField
            {...LEAVING}
            label="Commission on net"
            hint={ECONOMICS.commission}
            to={0.99}
            value={settings.commission}
            onCommit={(commission) => change({ commission })}
          />
          <PercentField
            {...LEAVING}
            label="Card fee on the price"
            hint={ECONOMICS.cardFee}
            to={0.99}
            value={settings.cardFee}
            onCommit={(cardFee) => change({ cardFee })}
          />
        </div>
      </Section>
      <Section title="Restocking">
        <div className="grid grid-cols-2 gap-3">
          <MoneyField
            {...LEAVING}
            label="Cost of an order"
            hint={ECONOMICS.orderCost}
            value={restock.orderCostMinor}
            onCommit={(orderCostMinor) => change({ restock: { ...restock, orderCostMinor } })}
          />
          <PercentField
            {...LEAVING}
            label="Keeping stock, a year"
            hint={ECONOMICS.holdingRate}
            from={0.001}
            to={5}
            value={restock.holdingRate}
            onCommit={(holdingRate) => change({ restock: { ...restock, holdingRate } })}
          />
          <NumberField
            {...LEAVING}
            label="Count at least every"
            hint={ECONOMICS.countEvery}
            unit="days"
            value={restock.countEveryDays}
            check={within(LIMITS.countEveryDays)}
            onCommit={(countEveryDays) => change({ restock: { ...restock, countEveryDays } })}
          />
        </div>
      </Section>
      <Section title="Measures">
        <Segments
          label="Spoons in the drawer"
          value={settings.spoons}
          options={[
            { value: 'metric', label: 'metric (5 and 15 ml)' },
            { value: 'us', label: 'US' },
          ]}
          onChoose={(spoons) => void change({ spoons })}
        />
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            {...LEAVING}
            label="Reference client, height"
            unit="cm"
            value={referenceClient.heightCm}
            check={within(LIMITS.heightCm)}
            onCommit={(heightCm) => change({ referenceClient: { ...referenceClient, heightCm } })}
          />
          <NumberField
            {...LEAVING}
            label="Reference client, weight"
            unit="kg"
            value={referenceClient.weightKg}
            check={within(LIMITS.weightKg)}
            onCommit={(weightKg) => change({ referenceClient: { ...referenceClient, weightKg } })}
          />
          {(['thin', 'standard', 'generous'] as const).map((coat) => (
            <NumberField
              {...LEAVING}
              key={coat}
              label={`A ${coat} coat`}
              unit="mg/cm²"
              value={coatMgPerCm2[coat]}
              check={within(LIMITS.quantity)}
              onCommit={(weight) => change({ coatMgPerCm2: { ...coatMgPerCm2, [coat]: weight } })}
            />
          ))}
          <PercentField
            {...LEAVING}
            label="Stays on hands and tools"
            to={0.99}
            value={settings.handlingLoss}
            onCommit={(handlingLoss) => change({ handlingLoss })}
          />
        </div>
      </Section>
    </div>
  );
}
