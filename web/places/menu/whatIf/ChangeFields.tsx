import { LIMITS, within } from '@bienestar/contract/limits';
import type { Change, House, Pack, Service } from '@bienestar/core/house/house';
import { TRIED_SETTINGS } from '@bienestar/core/house/scenario';
import { asId, type MaterialId, type ServiceId } from '@bienestar/core/house/ids';
import { chosenPack } from '@bienestar/core/house/packs';
import { exactly } from '@bienestar/core/quantity/triple';
import { PHASES } from '@bienestar/core/house/actions';
import { money, number } from '../../../format/figures';
import { spoken } from '../../../format/protocolWords';
import { Choice } from '../../../parts/Choice';
import { MoneyField } from '../../../parts/MoneyField';
import { NumberField } from '../../../parts/NumberField';
import { PercentField } from '../../../parts/PercentField';
import { useFigures, useHouse, useSnapshot } from '../../../store/house';
import { SETTING_WORDS, settingNow } from './changeWords';
import { grossNow, visitsNow } from './newChange';
import { WeekChangeFields } from './WeekChangeFields';

type Of<K extends Change['kind']> = Extract<Change, { kind: K }>;

interface FieldsProps<K extends Change['kind'] = Change['kind']> {
  readonly change: Of<K>;
  readonly onChange: (change: Change) => Promise<string | undefined>;
}

const ALL = 'all';
const LEAVING = { commitOn: 'leaving' } as const;

/** The fields of one change of a scenario. */
export function ChangeFields({ change, onChange }: FieldsProps) {
  const house = useHouse();
  const put = onChange;
  switch (change.kind) {
    case 'setting':
      return <SettingFields change={change} onChange={put} />;
    case 'charge':
      return (
        <Choice
          className="col-span-2"
          label="A therapist is charged for"
          value={change.to}
          options={[
            { value: 'attended', label: 'attended minutes' },
            { value: 'slot', label: 'the whole slot' },
          ]}
          onChoose={(to) => void put({ ...change, to })}
        />
      );
    case 'pay':
      return (
        <>
          <Choice
            label="Who"
            value={change.personId ?? ALL}
            options={[{ value: ALL, label: 'everybody' }, ...named(house.people)]}
            onChoose={(who) => {
              const { personId: _who, ...rest } = change;
              void put(who === ALL ? rest : { ...rest, personId: asId(who) });
            }}
          />
          <ShareField label="More, or less" change={change} onChange={put} />
        </>
      );
    case 'supplier':
      return (
        <>
          <Choice
            label="Supplier"
            value={change.supplierId}
            options={named(house.suppliers)}
            onChoose={(supplierId) => void put({ ...change, supplierId })}
          />
          <ShareField label="More, or less" change={change} onChange={put} />
        </>
      );
    case 'pack-price':
    case 'pack':
      return <PackFields change={change} onChange={put} />;
    case 'swap':
      return <SwapFields change={change} onChange={put} />;
    case 'minutes':
      return (
        <>
          <Choice
            label="Phase"
            value={change.phase}
            options={PHASES.map((phase) => ({ value: phase, label: spoken(phase) }))}
            onChoose={(phase) => void put({ ...change, phase })}
          />
          <NumberField
            {...LEAVING}
            label="Longer by"
            unit="min"
            hint="below 0 is shorter"
            value={change.byMinutes}
            check={within(LIMITS.byMinutes)}
            onCommit={(byMinutes) => put({ ...change, byMinutes })}
          />
          <ProtocolChoice change={change} onChange={put} />
        </>
      );
    case 'edition':
      return <EditionFields change={change} onChange={put} />;
    case 'price':
      return (
        <>
          <ServiceChoice change={change} onChange={put} />
          <MoneyField
            {...LEAVING}
            label="Price"
            value={change.grossMinor}
            onCommit={(grossMinor) => put({ ...change, grossMinor })}
          />
        </>
      );
    case 'visits':
      return (
        <>
          <ServiceChoice change={change} onChange={put} />
          <NumberField
            {...LEAVING}
            label="Visits"
            unit="a week"
            value={change.visitsPerWeek}
            check={within(LIMITS.visitsPerWeek)}
            onCommit={(visitsPerWeek) => put({ ...change, visitsPerWeek })}
          />
        </>
      );
    case 'work-hours':
    case 'open-hours':
    case 'hire':
    case 'room':
    case 'device-count':
      return <WeekChangeFields change={change} onChange={put} />;
  }
}

function SettingFields({ change, onChange }: FieldsProps<'setting'>) {
  const house = useHouse();
  const { as } = SETTING_WORDS[change.setting];
  const shared = {
    ...LEAVING,
    label: 'Would be',
    value: change.to,
    onCommit: (to: number) => onChange({ ...change, to }),
  };
  return (
    <>
      <Choice
        label="Figure"
        value={change.setting}
        options={TRIED_SETTINGS.map((setting) => ({
          value: setting,
          label: SETTING_WORDS[setting].name,
        }))}
        onChoose={(setting) =>
          void onChange({ ...change, setting, to: settingNow(house, setting) })
        }
      />
      {as === 'share' && <PercentField {...shared} to={change.setting === 'onCost' ? 3 : 1} />}
      {as === 'money' && <MoneyField {...shared} />}
      {as === 'number' && <NumberField {...shared} check={within(LIMITS.openDaysPerMonth)} />}
    </>
  );
}

function PackFields({ change, onChange }: FieldsProps<'pack' | 'pack-price'>) {
  const { materials, settings } = useHouse();
  const bought = materials.flatMap((each) =>
    each.kind === 'linen' || (each.archivedOn !== undefined && each.id !== change.materialId)
      ? []
      : each,
  );
  const material = bought.find(({ id }) => id === change.materialId);
  /** About another pack, the price goes on from what that costs. */
  const of = (materialId: MaterialId, pack: Pack): Change => {
    const about = { ...change, materialId, packId: pack.id };
    return about.kind === 'pack' ? about : { ...about, priceMinor: pack.priceMinor };
  };
  return (
    <>
      <Choice
        className="col-span-2"
        label="Material"
        value={change.materialId}
        options={named(bought)}
        onChoose={(materialId) => {
          const chosen = bought.find(({ id }) => id === materialId);
          if (chosen) void onChange(of(chosen.id, chosenPack(chosen)));
        }}
      />
      <Choice
        label="Pack"
        value={change.packId}
        options={(material?.packs ?? []).map((pack) => ({
          value: pack.id,
          label: `${pack.containers > 1 ? `${pack.containers} × ` : ''}${number(pack.content)} ${material?.unit ?? ''}, ${money(pack.priceMinor, settings.currency)}`,
        }))}
        onChoose={(packId) => {
          const pack = material?.packs.find(({ id }) => id === packId);
          if (material && pack) void onChange(of(material.id, pack));
        }}
      />
      {change.kind === 'pack-price' && (
        <MoneyField
          {...LEAVING}
          label="Would cost"
          value={change.priceMinor}
          onCommit={(priceMinor) => onChange({ ...change, priceMinor })}
        />
      )}
    </>
  );
}

function SwapFields({ change, onChange }: FieldsProps<'swap'>) {
  const { materials } = useHouse();
  const used = materials.filter(({ archivedOn }) => archivedOn === undefined);
  const to = used.find(({ id }) => id === change.to);
  const amountIn = (id: string, quantity: number): Of<'swap'>['amount'] => {
    const material = used.find((each) => each.id === id);
    return material?.kind === 'single-dose'
      ? { how: 'packs', quantity: exactly(quantity) }
      : { how: 'measured', quantity: exactly(quantity), unit: material?.unit ?? 'ml' };
  };
  const { amount } = change;
  const quantity = amount.quantity.usual;
  return (
    <>
      <Choice
        label="Instead of"
        value={change.from}
        options={named(used)}
        onChoose={(from) => void onChange({ ...change, from })}
      />
      <Choice
        label="Draw"
        value={change.to}
        options={named(used)}
        onChoose={(id) => void onChange({ ...change, to: id, amount: amountIn(id, quantity) })}
      />
      <NumberField
        {...LEAVING}
        label="Each time"
        unit={to?.kind === 'single-dose' ? 'opened' : (to?.unit ?? '')}
        value={quantity}
        check={within(LIMITS.quantity)}
        onCommit={(usual) => onChange({ ...change, amount: amountIn(change.to, usual) })}
      />
      <ProtocolChoice change={change} onChange={onChange} />
    </>
  );
}

function EditionFields({ change, onChange }: FieldsProps<'edition'>) {
  const { services, editionHeads } = useSnapshot();
  const service = services.find(({ id }) => id === change.serviceId);
  const heads = editionHeads.filter(({ protocolId }) => protocolId === service?.protocolId);
  const { editions } = useHouse();
  const counted = heads.filter((head) =>
    editions.some((each) => each.protocolId === head.protocolId && each.number === head.number),
  );
  return (
    <>
      <ServiceChoice change={change} onChange={onChange} />
      <Choice
        label="Worked by"
        value={change.edition === undefined ? ALL : String(change.edition)}
        options={[
          { value: ALL, label: 'its draft' },
          ...counted.map((head) => ({
            value: String(head.number),
            label: `edition ${head.number}`,
          })),
        ]}
        onChoose={(chosen) => {
          const { edition: _edition, ...rest } = change;
          void onChange(chosen === ALL ? rest : { ...rest, edition: Number(chosen) });
        }}
      />
    </>
  );
}

function ServiceChoice({ change, onChange }: FieldsProps<'price' | 'visits' | 'edition'>) {
  const house = useHouse();
  const figures = useFigures();
  const about = (serviceId: ServiceId): Change => {
    switch (change.kind) {
      case 'price':
        return {
          ...change,
          serviceId,
          grossMinor: grossNow(figures, serviceId) ?? change.grossMinor,
        };
      case 'visits':
        return { ...change, serviceId, visitsPerWeek: visitsNow(house, serviceId) };
      case 'edition': {
        const { edition: _edition, ...rest } = change;
        return { ...rest, serviceId };
      }
    }
  };
  return (
    <Choice
      label="Service"
      value={change.serviceId}
      options={named<Service>(house.services)}
      onChoose={(serviceId) => void onChange(about(serviceId))}
    />
  );
}

function ProtocolChoice({ change, onChange }: FieldsProps<'swap' | 'minutes'>) {
  const { protocols } = useHouse();
  return (
    <Choice
      label="Where"
      value={change.protocolId ?? ALL}
      options={[
        { value: ALL, label: 'everywhere' },
        ...named<House['protocols'][number]>(protocols),
      ]}
      onChoose={(id) => {
        const { protocolId: _where, ...rest } = change;
        void onChange(id === ALL ? rest : { ...rest, protocolId: asId(id) });
      }}
    />
  );
}

function ShareField({
  label,
  change,
  onChange,
}: FieldsProps<'pay' | 'supplier'> & { readonly label: string }) {
  return (
    <PercentField
      {...LEAVING}
      label={label}
      hint="below 0 is less"
      from={-0.99}
      to={9}
      value={change.byShare}
      onCommit={(byShare) => onChange({ ...change, byShare })}
    />
  );
}

function named<T extends { readonly id: string; readonly name: string }>(
  things: readonly T[],
): { readonly value: T['id']; readonly label: string }[] {
  return things.map(({ id, name }) => ({ value: id, label: name }));
}
