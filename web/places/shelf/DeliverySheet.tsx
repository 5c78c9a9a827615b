import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import type { PackId } from '@bienestar/core/house/ids';
import { chosenPack, daysOf } from '@bienestar/core/house/packs';
import { daysAfter } from '@bienestar/core/days/days';
import { LONGEST_LOT_CODE } from '@bienestar/core/house/limits';
import { Choice } from '../../parts/Choice';
import { DayField } from '../../parts/DayField';
import { INPUT_LOOK, LABEL_LOOK } from '../../parts/FieldFrame';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { useHouse } from '../../store/house';
import { newLotId } from '../../store/useEnter';
import { EntrySheet } from './EntrySheet';
import { contentWords } from './materialWords';
import { useToday } from '../../store/clock';
import { matcherOf, plainText } from '../../format/search';

interface DeliverySheetProps {
  readonly open: boolean;
  /** in hand, and so offered first */
  readonly materialId: string | undefined;
  readonly onClose: () => void;
}

const OFFERED = 6;

/** A delivery, material by material out of the box; the sheet stays for the next one. */
export function DeliverySheet({ open, materialId, onClose }: DeliverySheetProps) {
  const house = useHouse();
  const stocked = useMemo(
    () => house.materials.filter((each) => each.kind !== 'linen' && each.archivedOn === undefined),
    [house.materials],
  ) as readonly BoughtMaterial[];
  const [chosen, setChosen] = useState<string | undefined>(materialId);
  const [query, setQuery] = useState('');
  const [taken, setTaken] = useState<readonly string[]>([]);
  const material = stocked.find((each) => each.id === chosen);
  const today = useToday();
  const [line, setLine] = useState(() => freshLine(today));
  const matches = matcherOf(query);
  const offered =
    query === '' ? [] : stocked.filter((each) => matches(wordsOf(each))).slice(0, OFFERED);
  const packId = line.packId ?? material?.preferredPackId;
  const pick = (id: string): void => {
    setChosen(id);
    setQuery('');
    setLine(freshLine(today));
  };
  const keeps =
    material?.kind === 'fresh'
      ? daysAfter(line.deliveredOn, Math.floor(daysOf(material.keeps)))
      : undefined;
  const expiresOn = line.expiresOn ?? keeps ?? '';
  return (
    <EntrySheet
      open={open}
      onClose={onClose}
      name={material?.name ?? 'A delivery'}
      title="A delivery came"
      description="One thing after another out of the box. What is entered is on the shelf at once."
      action="On the shelf with it"
      make={(id) => {
        if (!material) return 'Say what came.';
        return {
          kind: 'delivery',
          id,
          materialId: material.id,
          lotId: line.lotId,
          packId: packId ?? material.preferredPackId,
          packs: line.packs,
          code: line.code.trim(),
          deliveredOn: line.deliveredOn,
          ...(expiresOn !== '' && { expiresOn }),
        };
      }}
      onEntered={() => {
        setTaken([...taken, material?.name ?? '']);
        setChosen(undefined);
        setLine(freshLine(line.deliveredOn));
      }}
    >
      <div className="flex flex-col gap-1">
        <label htmlFor="came" className={LABEL_LOOK}>
          What came
        </label>
        <input
          id="came"
          type="search"
          autoComplete="off"
          placeholder={material?.name ?? 'name or article number'}
          value={query}
          onChange={(event) => setQuery(event.target.value)}
          className={INPUT_LOOK}
        />
        {offered.length > 0 && (
          <ul className="border border-line-strong bg-sheet">
            {offered.map((each) => (
              <li key={each.id}>
                <button
                  type="button"
                  onClick={() => pick(each.id)}
                  className="w-full px-3 py-2.5 text-left hover:bg-sunk"
                >
                  {each.name}
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
      {material && (
        <>
          <p className="font-serif text-xl">{material.name}</p>
          {material.packs.length > 1 && (
            <Choice<PackId>
              label="In which pack"
              value={packId ?? chosenPack(material).id}
              options={material.packs.map((pack) => ({
                value: pack.id,
                label: `${contentWords(pack, material.unit, material.kind)}${pack.code === undefined ? '' : `, ${pack.code}`}`,
              }))}
              onChoose={(next) => setLine({ ...line, packId: next })}
            />
          )}
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label="How many packs"
              value={line.packs}
              check={within(LIMITS.pieces)}
              onCommit={(packs) => setLine({ ...line, packs })}
            />
            <TextField
              label="Lot number"
              longest={LONGEST_LOT_CODE}
              value={line.code}
              onCommit={(code) => setLine({ ...line, code })}
            />
            <DayField
              label="Came on"
              value={line.deliveredOn}
              onCommit={(deliveredOn) => setLine({ ...line, deliveredOn })}
            />
            <DayField
              label="Keeps until"
              value={expiresOn}
              onCommit={(next) => setLine({ ...line, expiresOn: next })}
            />
          </div>
        </>
      )}
      {taken.length > 0 && (
        <p role="status" className="border-l-2 border-palm pl-3 text-sm">
          On the shelf: {taken.join(', ')}.{' '}
          <Link to="/shelf" onClick={onClose} className="text-palm underline underline-offset-4">
            That was all
          </Link>
        </p>
      )}
    </EntrySheet>
  );
}

interface DeliveryLine {
  readonly lotId: ReturnType<typeof newLotId>;
  readonly packId: PackId | undefined;
  readonly packs: number;
  readonly code: string;
  readonly deliveredOn: string;
  readonly expiresOn: string | undefined;
}

function freshLine(deliveredOn: string): DeliveryLine {
  return {
    lotId: newLotId(),
    packId: undefined,
    packs: 1,
    code: '',
    deliveredOn,
    expiresOn: undefined,
  };
}

function wordsOf(material: BoughtMaterial): string {
  return plainText([material.name, ...material.packs.map(({ code }) => code ?? '')].join(' '));
}
