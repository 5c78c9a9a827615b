import { minorPerMajor } from '@bienestar/contract/currency';
import { parseDecimal } from '../../format/decimal';
import { editable } from '../../format/figures';
import { MoneyField } from '../../parts/MoneyField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useHouse } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';

/** The endings at which the house charges its prices. */
export function PriceEndingsFields() {
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
      .map((each) => parseDecimal(each));
    const endings = typed.flatMap((value) =>
      value === undefined ? [] : [Math.round(value * perMajor)],
    );
    return endings.length === typed.length && endings.length > 0
      ? put({ endingsMinor: endings })
      : Promise.resolve('Write the endings with a space between them, such as 0 5 9.');
  };
  return (
    <>
      <MoneyField
        label="Endings repeat every"
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
    </>
  );
}
