import { within } from '@bienestar/contract/limits';
import { useState } from 'react';
import {
  LONGEST_HOLD_SECONDS,
  MOST_HOLDS,
  STRETCHED_WORDS,
  TECHNIQUE_LISTS,
  techniqueWords,
  UPRIGHT_WORDS,
  type Technique,
  type TechniqueList,
} from '@bienestar/core/house/technique';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { TextField } from '../../../parts/TextField';
import { Toggles } from '../../../parts/Toggles';
import { useSnapshot } from '../../../store/house';
import { useChangeSettings } from '../../../store/useEditPart';
import type { StepFieldsProps } from './stepFields';

const NOT_SAID = 'not-said';
const LIST_WORDS: Readonly<Record<TechniqueList, string>> = {
  movement: 'Movement',
  direction: 'Direction',
  pressure: 'Pressure',
  skin: 'Skin',
  hands: 'Hands',
  temperature: 'Temperature',
};
const LISTS = Object.keys(LIST_WORDS) as readonly TechniqueList[];

/** How the hands work, in few taps; what a house uses often has a name. */
export function TechniqueFields({ step, change }: StepFieldsProps) {
  const { techniques = [] } = useSnapshot().settings;
  const changeSettings = useChangeSettings();
  const [isNaming, setIsNaming] = useState(false);
  const { technique = {} } = step;
  const said = techniqueWords(technique);
  const put = (changes: Partial<Technique>, field?: string): void => {
    const merged: Readonly<Record<string, unknown>> = { ...technique, ...changes };
    const next = Object.fromEntries(
      Object.entries(merged).filter(([, value]) => value !== undefined),
    ) as Technique;
    change({ technique: Object.keys(next).length === 0 ? undefined : next }, field);
  };
  const { hold, stretched, upright } = technique;
  const holds = [...(stretched ? ['stretched'] : []), ...(upright ? ['upright'] : [])];
  return (
    <Fold title="How the hands work" summary={said.join(' · ')}>
      {techniques.length > 0 && (
        <div className="flex flex-wrap gap-1">
          {techniques.map(({ name, technique: own }) => (
            <button
              key={name}
              type="button"
              title={techniqueWords(own).join(', ')}
              onClick={() => change({ technique: own })}
              className="h-7 rounded-full border border-line-strong px-2.5 text-sm hover:bg-sunk"
            >
              {name}
            </button>
          ))}
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
        {LISTS.map((list) => (
          <Choice
            key={list}
            label={LIST_WORDS[list]}
            value={technique[list] ?? NOT_SAID}
            options={[
              { value: NOT_SAID, label: 'not said' },
              ...Object.entries(TECHNIQUE_LISTS[list]).map(([value, label]) => ({ value, label })),
            ]}
            onChoose={(value) => put({ [list]: value === NOT_SAID ? undefined : value })}
          />
        ))}
        <NumberField
          label="How often"
          unit="times"
          value={hold?.times}
          check={within({ least: 1, most: MOST_HOLDS, whole: true })}
          onCommit={(times) => put({ hold: { ...hold, times } }, 'times')}
          onClear={() => put({ hold: undefined }, 'times')}
        />
        <NumberField
          label="each held for"
          unit="s"
          value={hold?.seconds}
          check={within({ above: 0, most: LONGEST_HOLD_SECONDS })}
          onCommit={(seconds) => put({ hold: { times: hold?.times ?? 1, seconds } }, 'seconds')}
          onClear={() => put({ hold: hold && { times: hold.times } }, 'seconds')}
        />
      </div>
      <Toggles
        label="Held"
        values={holds}
        options={[
          { value: 'stretched', label: STRETCHED_WORDS },
          { value: 'upright', label: `tool ${UPRIGHT_WORDS}` },
        ]}
        onChange={(next) =>
          put({
            stretched: next.includes('stretched') ? true : undefined,
            upright: next.includes('upright') ? true : undefined,
          })
        }
      />
      {said.length > 0 &&
        (isNaming ? (
          <TextField
            label="What this way of working is called"
            value=""
            commitOn="leaving"
            onCommit={async (typed) => {
              const name = typed.trim();
              if (techniques.some((each) => each.name === name))
                return 'A way of working is called that already.';
              if (name !== '')
                await changeSettings({ techniques: [...techniques, { name, technique }] });
              setIsNaming(false);
              return undefined;
            }}
          />
        ) : (
          <Button className="self-start" onClick={() => setIsNaming(true)}>
            Name this way of working
          </Button>
        ))}
    </Fold>
  );
}
