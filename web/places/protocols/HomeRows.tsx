import type { HomeUse, Recommended } from '@bienestar/core/house/house';
import { offeredOf } from '@bienestar/core/house/offered';
import { DAY_PARTS, type DayPart } from '@bienestar/core/house/ways';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { spoken } from '../../format/protocolWords';
import { Choice } from '../../parts/Choice';
import { PercentField } from '../../parts/PercentField';
import { TextField } from '../../parts/TextField';
import { Toggles } from '../../parts/Toggles';
import { useHouse } from '../../store/house';
import { useFindings } from '../../store/useFindings';
import { AmountEditor, AmountWayChoice } from './inspector/AmountEditor';
import { LastingFields } from './LastingFields';
import { newDose } from './newStep';

const EVERYBODY = 'everybody';

interface HomeUseFieldsProps {
  readonly use: HomeUse;
  readonly onChange: (use: HomeUse) => void;
}

/** One product of the days after: how much, when, for how long, how. */
export function HomeUseFields({ use, onChange }: HomeUseFieldsProps) {
  const { materials } = useHouse();
  const material = materials.find(({ id }) => id === use.materialId);
  const name = material?.name ?? 'the product';
  return (
    <div className="col-span-2 flex flex-col gap-2 border-l-2 border-line-strong pl-3">
      <div className="grid grid-cols-2 gap-3">
        <MaterialChoice
          label="Product"
          value={use.materialId}
          onChoose={(materialId) => {
            const next = materials.find(({ id }) => id === materialId);
            if (next) onChange({ ...use, materialId: next.id, amount: newDose(next).amount });
          }}
        />
        <AmountWayChoice
          amount={use.amount}
          material={material}
          name={name}
          onChange={(amount) => onChange({ ...use, amount })}
        />
      </div>
      <AmountEditor
        amount={use.amount}
        material={material}
        name={name}
        onChange={(amount) => onChange({ ...use, amount })}
      />
      <div className="grid grid-cols-2 items-end gap-3">
        <Toggles<DayPart>
          label="When"
          values={use.at}
          options={DAY_PARTS.map((part) => ({ value: part, label: part }))}
          onChange={(at) => {
            if (at.length > 0)
              onChange({ ...use, at: DAY_PARTS.filter((part) => at.includes(part)) });
          }}
        />
        <LastingFields
          label="For"
          value={use.for}
          onChange={(lasting) => onChange({ ...use, for: lasting })}
        />
      </div>
      <TextField
        label="How"
        longest={LONGEST_TEXT}
        value={use.how ?? ''}
        onCommit={(how) => onChange({ ...use, how: how === '' ? undefined : how })}
      />
    </div>
  );
}

interface RecommendedFieldsProps {
  readonly recommended: Recommended;
  readonly onChange: (recommended: Recommended) => void;
}

/** One product that is recommended to buy, for which finding, and how many guests buy it. */
export function RecommendedFields({ recommended, onChange }: RecommendedFieldsProps) {
  const findings = useFindings();
  return (
    <div className="col-span-2 grid grid-cols-[1fr_1fr_9rem] gap-3">
      <MaterialChoice
        label="Recommended"
        value={recommended.materialId}
        onChoose={(materialId) =>
          onChange({ ...recommended, materialId: materialId as Recommended['materialId'] })
        }
      />
      <Choice
        label="For whom"
        value={recommended.finding ?? EVERYBODY}
        options={[
          { value: EVERYBODY, label: 'everybody' },
          ...findings.map((condition) => ({ value: condition, label: spoken(condition) })),
        ]}
        onChoose={(finding) =>
          onChange({
            ...recommended,
            finding: finding === EVERYBODY ? undefined : finding,
          })
        }
      />
      <PercentField
        label="Guests who buy"
        value={recommended.takeUp}
        onCommit={(takeUp) => onChange({ ...recommended, takeUp })}
      />
    </div>
  );
}

interface MaterialChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly onChoose: (id: string) => void;
}

function MaterialChoice({ label, value, onChoose }: MaterialChoiceProps) {
  const { materials } = useHouse();
  return (
    <Choice
      label={label}
      value={value}
      options={offeredOf(materials)
        .filter(({ kind }) => kind !== 'linen')
        .map(({ id, name }) => ({ value: id, label: name }))}
      onChoose={onChoose}
    />
  );
}
