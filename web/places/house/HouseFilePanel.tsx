import { Download, Upload } from 'lucide-react';
import { useState } from 'react';
import { toast } from '../../parts/toast';
import { API } from '@bienestar/contract/api';
import { Button } from '../../parts/Button';
import { FileButton } from '../../parts/FileButton';
import { Sheet } from '../../parts/Sheet';
import { useOpening } from '../../store/openHouse';
import { OpeningFaults, OpeningSheet } from './OpeningParts';
import { Section } from './Section';

/** The whole house as a file: taken away, or put in the place of what is here. */
export function HouseFilePanel() {
  const [waiting, setWaiting] = useState<File>();
  const { state, open, breakOff } = useOpening();

  const replace = async (): Promise<void> => {
    if (!waiting) return;
    setWaiting(undefined);
    if (await open({ from: 'file', file: waiting })) toast('The house is now the one of the file.');
  };

  return (
    <Section title="The house as a file">
      <p className="text-sm text-ink-soft">
        Everything in one open file, to keep, to move, or to read with other programs.
      </p>
      <div className="flex gap-3">
        <a
          href={`${API}/house/file`}
          download
          className="inline-flex h-9 items-center gap-2 rounded-sm border border-line-strong bg-sheet px-3.5 text-sm font-semibold hover:bg-sunk"
        >
          <Download aria-hidden size={16} /> Save the house file
        </a>
        <FileButton label="House file" accept=".json,application/json" onFile={setWaiting}>
          <Upload aria-hidden size={16} /> Open a house file …
        </FileButton>
      </div>
      <OpeningFaults state={state} />
      <OpeningSheet state={state} onBreakOff={breakOff} />
      <Sheet
        open={waiting !== undefined}
        onClose={() => setWaiting(undefined)}
        title="Put this file in the place of the house?"
        description={`${waiting?.name ?? ''} takes the place of everything that is here. A safe copy of the house as it is now is made first.`}
        actions={
          <>
            <Button onClick={() => setWaiting(undefined)}>Leave the house as it is</Button>
            <Button weight="danger" onClick={() => void replace()}>
              Replace the house
            </Button>
          </>
        }
      >
        <p className="text-sm">
          All of it is checked first; if anything does not fit, nothing is changed.
        </p>
      </Sheet>
    </Section>
  );
}
