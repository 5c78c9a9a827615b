import { X } from 'lucide-react';
import { useState } from 'react';
import type { Conditional, Otherwise } from '@bienestar/core/house/house';
import { optionsOf } from '@bienestar/core/house/protocol';
import { hangsOnSame } from '@bienestar/core/protocol/otherwise';
import { hangingWords } from '../../../format/protocolWords';
import { Button, IconButton } from '../../../parts/Button';
import { Fold } from '../../../parts/Fold';
import { ChoicesSheet } from '../ChoicesSheet';
import { HangingFields } from './HangingFields';
import type { StepFieldsProps } from './stepFields';

interface OtherwiseFieldsProps extends StepFieldsProps {
  /** says for whom the step is to be changed */
  readonly onTake: (on: Conditional) => void;
}

/** For whom the step is otherwise than for everybody, and for whom else it could be. */
export function OtherwiseFields({ step, protocol, edit, change, onTake }: OtherwiseFieldsProps) {
  const [asked, setAsked] = useState<Conditional>({});
  const [managing, setManaging] = useState(false);
  const { otherwise = [] } = step;
  const whom = (each: Conditional): string => hangingWords(protocol.choices, each) ?? '';
  const remove = (gone: Otherwise): void => {
    const left = otherwise.filter((each) => each !== gone);
    change({ otherwise: left.length > 0 ? left : undefined });
  };
  return (
    <Fold title="Otherwise for some" summary={otherwise.map(whom).join(' · ')}>
      {otherwise.map((each) => (
        <div key={JSON.stringify(optionsOf(each))} className="flex items-baseline gap-3 text-sm">
          <span className="min-w-0 flex-1">
            {whom(each)}
            <span className="text-ink-soft"> · {differing(each)}</span>
          </span>
          <Button weight="quiet" onClick={() => onTake(each)}>
            Change<span className="sr-only"> what is otherwise for {whom(each)}</span>
          </Button>
          <IconButton label={`As for everybody: ${whom(each)}`} onClick={() => remove(each)}>
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      <div className="flex items-end gap-3">
        {protocol.choices.length > 0 && (
          <HangingFields
            label="Otherwise for"
            choices={protocol.choices}
            of={asked}
            everybody="nobody else"
            onChange={({ option, also }) =>
              setAsked({ ...(option && { option }), ...(also && { also }) })
            }
          />
        )}
        {protocol.choices.length === 0 && (
          <p className="flex-1 text-sm text-ink-soft">
            First say what decides, such as the skin type or the season.
          </p>
        )}
        <Button onClick={() => setManaging(true)}>Choices …</Button>
      </div>
      {asked.option && (
        <Button
          className="self-start"
          onClick={() => {
            onTake(otherwise.find((each) => hangsOnSame(each, asked)) ?? asked);
            setAsked({});
          }}
        >
          Say how it is for them
        </Button>
      )}
      {managing && (
        <ChoicesSheet protocol={protocol} edit={edit} onClose={() => setManaging(false)} />
      )}
    </Fold>
  );
}

const WORDS: Readonly<Record<keyof Otherwise['says'], string>> = {
  minutes: 'minutes',
  until: 'endpoint',
  capMinutes: 'contact',
  capSince: 'contact',
  hands: 'hands',
  zones: 'zones',
  lightly: 'zones',
  more: 'zones',
  last: 'zones',
  never: 'zones',
  tools: 'tools',
  technique: 'how the hands work',
  device: 'device',
  running: 'what runs along',
  runningAt: 'what runs along',
  removal: 'how it comes off',
  gloves: 'gloves',
};

/** What differs, in words. */
export function differing({ says }: Otherwise): string {
  const keys = Object.keys(says) as (keyof Otherwise['says'])[];
  return [...new Set(keys.map((key) => WORDS[key]))].join(', ');
}
