import { parseDecimal } from '../../format/decimal';
import { minorPerMajor } from '@bienestar/contract/currency';
import { editable } from '../../format/figures';
import { MoneyField } from '../../parts/MoneyField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useHouse } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';

const HIGHEST_SHARE = 0.99;

/** How the house makes its prices: the margin wanted and the endings it charges. A change re-prices the menu. */
export function PriceRule() {
  const { settings } = useHouse();
  const change = useChangeSettings();
  const { priceEndings } = settings;
  const perMajor = minorPerMajor(settings.currency);
  const put = (changes: Partial<typeof priceEndings>) =>
    change({ priceEndings: { ...priceEndings, ...changes } });

  const putEndings = (text: string): Promise<string | undefined> => {
    const typed = text
      .split(/[;/]|\s+/)
      .filter(Boolean)
      .map(parseDecimal);
    const endings = typed.flatMap((value) =>
      value === undefined ? [] : [Math.round(value * perMajor)],
    );
    return endings.length === typed.length && endings.length > 0
      ? put({ endingsMinor: endings })
      : Promise.resolve('Write the endings with a space between them, such as 0 5 9.');
  };
  return (
    <section
      aria-labelledby="price-rule"
      className="grid grid-cols-[7rem_7rem_8.5rem_8.5rem_8rem_1fr] items-start gap-4 border-t border-line bg-sheet px-6 py-4"
    >
      <div>
        <h2 id="price-rule" className="text-lg">
          How the house prices
        </h2>
      </div>
      <PercentField
        label="Target margin"
        to={HIGHEST_SHARE}
        commitOn="leaving"
        value={settings.targetMargin}
        onCommit={(targetMargin) => change({ targetMargin })}
      />
      <MoneyField
        label="A room hour brings"
        commitOn="leaving"
        value={settings.targetPerRoomHourMinor}
        onCommit={(targetPerRoomHourMinor) => change({ targetPerRoomHourMinor })}
      />
      <MoneyField
        label="Endings repeat after"
        commitOn="leaving"
        value={priceEndings.everyMinor}
        onCommit={(everyMinor) => put({ everyMinor })}
      />
      <TextField
        label="Allowed endings"
        hint="with a space between"
        commitOn="leaving"
        value={priceEndings.endingsMinor.map((ending) => editable(ending / perMajor)).join(' ')}
        onCommit={putEndings}
      />
      <Segments
        label="Charged"
        value={priceEndings.rounding}
        options={[
          { value: 'up', label: 'next at or above' },
          { value: 'nearest', label: 'nearest' },
        ]}
        onChoose={(rounding) => void put({ rounding })}
      />
    </section>
  );
}
