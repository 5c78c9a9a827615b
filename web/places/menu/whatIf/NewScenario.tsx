import { nanoid } from '@reduxjs/toolkit';
import { Plus, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Scenario } from '@bienestar/core/house/house';
import { asId, type ScenarioId } from '@bienestar/core/house/ids';
import { Button } from '../../../parts/Button';
import { Sheet } from '../../../parts/Sheet';
import { useAddMutation } from '../../../store/api';
import { refusedBy } from '../../../store/refusals';
import { useSnapshot } from '../../../store/house';
import { readScenarioFile } from './scenarioFile';

const LARGEST_FILE = 1024 * 1024;

/** Begins a scenario, or opens one from a file. */
export function NewScenario({ onMade }: { readonly onMade: (id: string) => void }) {
  const { scenarios } = useSnapshot();
  const input = useRef<HTMLInputElement>(null);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const [add, { isLoading }] = useAddMutation();

  const put = async (scenario: Scenario): Promise<void> => {
    const made = await add({ part: 'scenarios', value: scenario });
    if (!made.error) {
      onMade(scenario.id);
      return;
    }
    const refused = refusedBy(made.error);
    if (refused.kind === 'away') setFaults([refused.message]);
    else {
      const { errors = [], detail } = refused.document;
      setFaults(
        errors.length === 0
          ? [detail]
          : errors.map(({ pointer, message }) => `${pointer}: ${message}`),
      );
    }
  };
  const open = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > LARGEST_FILE) {
      setFaults([`${file.name} is larger than the 1 MB that a scenario may have.`]);
      return;
    }
    const read = readScenarioFile(await file.text());
    if (!read.ok) setFaults([read.message]);
    else {
      const taken = scenarios.some(({ id }) => id === read.value.id);
      await put(taken ? { ...read.value, id: newId() } : read.value);
    }
  };
  return (
    <>
      <Button onClick={() => input.current?.click()}>
        <Upload aria-hidden size={16} /> Open a scenario file …
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Scenario file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          void open(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Button
        weight="main"
        disabled={isLoading}
        onClick={() => void put({ id: newId(), name: 'What if …', changes: [] })}
      >
        <Plus aria-hidden size={16} /> Begin a scenario
      </Button>
      <Sheet
        open={faults.length > 0}
        onClose={() => setFaults([])}
        title="This file is not taken"
        description="Nothing was changed."
      >
        <ul className="flex flex-col gap-1 text-sm">
          {faults.map((fault) => (
            <li key={fault}>
              <span aria-hidden className="text-clay">
                ▲{' '}
              </span>
              {fault}
            </li>
          ))}
        </ul>
      </Sheet>
    </>
  );
}

function newId(): ScenarioId {
  return asId<ScenarioId>(nanoid(12));
}
