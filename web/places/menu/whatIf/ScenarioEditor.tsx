import { Download, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { toast } from '../../../parts/toast';
import type { Versioned } from '@bienestar/contract/api';
import type { Change, Scenario } from '@bienestar/core/house/house';
import type { ComparedScenario } from '@bienestar/core/whatIf/compareScenarios';
import { Button, IconButton } from '../../../parts/Button';
import { fileNameOf, saveFile } from '../../../parts/saveFile';
import { dayText } from '../../../format/figures';
import { changeWords } from './changeWords';
import { TextField } from '../../../parts/TextField';
import { useFigures, useHouse } from '../../../store/house';
import { useAddAndRemove, useChange } from '../../../store/useEditPart';
import { AdoptSheet } from './AdoptSheet';
import { ChangeLine } from './ChangeLine';
import { KIND_WORDS } from './changeWords';
import { newChange } from './newChange';
import { Menu, MenuLine } from '../../../parts/Menu';
import { writeScenarioFile } from './scenarioFile';

interface ScenarioEditorProps {
  readonly scenario: Versioned<Scenario>;
  readonly compared: ComparedScenario;
}

const KINDS = Object.keys(KIND_WORDS) as Change['kind'][];

/** A scenario in hand: its name, what it changes, and what can be done with it. */
export function ScenarioEditor({ scenario, compared }: ScenarioEditorProps) {
  const house = useHouse();
  const figures = useFigures();
  const change = useChange('scenarios', scenario);
  const { remove } = useAddAndRemove('scenarios');
  const navigate = useNavigate();
  const [adopting, setAdopting] = useState(false);
  const [newest, setNewest] = useState<string>();
  const { changes } = scenario;
  const faultOf = (id: string): string | undefined =>
    compared.tried.gone.find((gone) => gone.change.id === id)?.problems[0]?.message;

  const begin = (kind: Change['kind']): void => {
    const made = newChange(kind, house, figures);
    if (!made) {
      toast.error('The house has nothing yet that this could change.');
      return;
    }
    setNewest(made.id);
    void change((latest) => ({ changes: [...latest.changes, made] }));
  };
  const takeAway = async (): Promise<void> => {
    if (!(await remove(scenario))) return;
    await navigate('/menu/what-if');
  };
  return (
    <section aria-label={scenario.name} className="flex flex-col gap-3">
      <TextField
        label="Name of the scenario"
        needed
        commitOn="leaving"
        value={scenario.name}
        onCommit={(name) => change({ name })}
      />
      <TextField
        label="What it is about"
        commitOn="leaving"
        lines={2}
        longest={LONGEST_TEXT}
        value={scenario.note ?? ''}
        onCommit={(note) => change({ note: note.trim() === '' ? undefined : note })}
      />
      <ul aria-label="What it changes" className="flex flex-col">
        {changes.map((each) => (
          <ChangeLine
            key={each.id}
            change={each}
            opened={each.id === newest}
            fault={faultOf(each.id)}
            onChange={(next) =>
              change((latest) => ({
                changes: latest.changes.map((old) => (old.id === next.id ? next : old)),
              }))
            }
            onRemove={() =>
              void change((latest) => ({
                changes: latest.changes.filter(({ id }) => id !== each.id),
              }))
            }
          />
        ))}
      </ul>
      <Menu
        trigger={
          <Button className="self-start">
            <Plus aria-hidden size={16} /> Change something
          </Button>
        }
        align="start"
      >
        {KINDS.map((kind) => (
          <MenuLine key={kind} onSelect={() => begin(kind)}>
            {KIND_WORDS[kind]}
          </MenuLine>
        ))}
      </Menu>
      {scenario.adopted?.map(({ on, changes: adopted }) => (
        <section key={`${on} ${adopted[0]?.id ?? ''}`} className="text-sm text-ink-soft">
          <h3 className="font-sans text-sm font-semibold">Adopted on {dayText(on)}</h3>
          <ul className="list-disc pl-4">
            {adopted.map((each) => (
              <li key={each.id}>{changeWords(each, house)}</li>
            ))}
          </ul>
        </section>
      ))}
      <div className="flex items-center gap-2 border-t border-line pt-3">
        <Button weight="main" disabled={changes.length === 0} onClick={() => setAdopting(true)}>
          Adopt …
        </Button>
        <IconButton
          label="Save as a file"
          className="size-9 border border-line-strong bg-sheet"
          onClick={() => download(scenario)}
        >
          <Download aria-hidden size={16} />
        </IconButton>
        <IconButton label="Remove this scenario" onClick={() => void takeAway()}>
          <Trash2 aria-hidden size={16} />
        </IconButton>
      </div>
      {adopting && <AdoptSheet scenario={scenario} onClose={() => setAdopting(false)} />}
    </section>
  );
}

function download({ version: _version, ...scenario }: Versioned<Scenario>): void {
  saveFile(
    writeScenarioFile(scenario),
    `${fileNameOf(scenario.name)}.scenario.json`,
    'application/json',
  );
}
