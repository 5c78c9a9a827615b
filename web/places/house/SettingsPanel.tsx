import type { ReactNode } from 'react';
import { GivesFirst } from './GivesFirst';
import { GradesPanel } from './GradesPanel';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { RestsPanel } from './RestsPanel';
import { RulesPanel } from './RulesPanel';
import { PurchaseTaxFields } from './PurchaseTaxFields';
import { Section } from './Section';
import { SettingField, SettingFields } from './SettingField';
import { LocaleChoice } from './LocaleChoice';
import { TimeZoneChoice } from './TimeZoneChoice';
import { FindingsPanel } from './FindingsPanel';
import { VesselsPanel } from './VesselsPanel';
import { ZonesPanel } from './ZonesPanel';

/** Money, hours and measures of the house; every field saves as it is left. */
export function SettingsPanel() {
  return (
    <div className="flex flex-col gap-8">
      <Section title="The house">
        <InTwo>
          <SettingFields of={['name', 'place']} />
          <TimeZoneChoice />
          <LocaleChoice />
          <SettingFields of={['currency', 'vat']} />
        </InTwo>
      </Section>
      <Section title="What time costs">
        <SettingField of="therapistCharge" />
        <SettingField of="expired" />
        <InTwo>
          <SettingFields of={['onCost', 'bookableShare', 'fixedPerMonth', 'occupancy']} />
          <SettingFields
            of={['openDays', 'openHours', 'slotGrid', 'slotQuantile', 'usualSpread', 'paceSpread']}
          />
        </InTwo>
      </Section>
      <GradesPanel />
      <Bought />
      <Section title="Fees">
        <InTwo>
          <SettingFields of={['commission', 'cardFee']} />
        </InTwo>
      </Section>
      <Section title="Restocking">
        <InTwo>
          <SettingFields of={['orderCost', 'holdingRate', 'countEvery']} />
        </InTwo>
      </Section>
      <RulesPanel />
      <RestsPanel />
      <GivesFirst />
      <Section title="Measures">
        <SettingField of="spoons" />
        <InTwo>
          <SettingFields of={['clientHeight', 'clientWeight', 'thinCoat', 'standardCoat']} />
          <SettingFields of={['generousCoat', 'handlingLoss']} />
        </InTwo>
        <FindingsPanel />
        <VesselsPanel />
        <ZonesPanel />
      </Section>
    </div>
  );
}

/** How prices of what is bought are typed. */
function Bought() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  return (
    <Section title="What is bought">
      <p className="text-sm text-ink-soft">
        With the tax or without it, as suppliers bill you. Tax that you get back costs nothing; ask
        your accountant. A supplier can be otherwise.
      </p>
      <PurchaseTaxFields
        tax={settings.purchaseTax}
        usual={settings.vat}
        onChange={(purchaseTax) => change({ purchaseTax })}
      />
    </Section>
  );
}

function InTwo({ children }: { readonly children: ReactNode }) {
  return <div className="grid grid-cols-2 gap-3">{children}</div>;
}
