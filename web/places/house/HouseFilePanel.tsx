import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { API } from '@bienestar/contract/api';
import type { Fault } from '@bienestar/contract/check';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { refusedBy, useImportHouseMutation } from '../../store/api';
import { Section } from './Section';

const LARGEST_FILE = 40 * 1024 * 1024;
const MOST_FAULTS_SHOWN = 12;

/** The whole house as a file: taken away, or put in the place of what is here. */
export function HouseFilePanel() {
  const input = useRef<HTMLInputElement>(null);
  const [waiting, setWaiting] = useState<{ readonly name: string; readonly content: string }>();
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [importHouse, { isLoading }] = useImportHouseMutation();

  const choose = async (file: File | undefined): Promise<void> => {
    setFaults([]);
    if (!file) return;
    if (file.size > LARGEST_FILE) {
      setFaults([
        {
          pointer: '',
          code: 'file.size',
          message: `${file.name} is larger than the 40 MB that a house file may have.`,
        },
      ]);
      return;
    }
    setWaiting({ name: file.name, content: await file.text() });
  };
  const replace = async (): Promise<void> => {
    if (!waiting) return;
    const done = await importHouse(waiting.content);
    setWaiting(undefined);
    if (!done.error) {
      toast('The house is now the one of the file.');
      return;
    }
    const refused = refusedBy(done.error);
    setFaults(
      refused.kind === 'away'
        ? [
            {
              pointer: '',
              code: 'away',
              message: 'The house does not answer just now; nothing was changed. Try again later.',
            },
          ]
        : (refused.document.errors ?? [
            { pointer: '', code: 'refused', message: refused.document.detail },
          ]),
    );
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
        <Button onClick={() => input.current?.click()}>
          <Upload aria-hidden size={16} /> Open a house file …
        </Button>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="House file"
          className="hidden"
          onChange={(event) => {
            void choose(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </div>
      {faults.length > 0 && (
        <div role="alert" className="border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
          <p className="font-semibold">▲ The file was not taken; nothing was changed.</p>
          <ul>
            {faults.slice(0, MOST_FAULTS_SHOWN).map((fault) => (
              <li key={`${fault.pointer} ${fault.message}`}>
                {fault.pointer && <code className="mr-2">{fault.pointer}</code>}
                {fault.message}
              </li>
            ))}
          </ul>
          {faults.length > MOST_FAULTS_SHOWN && (
            <p>and {faults.length - MOST_FAULTS_SHOWN} more.</p>
          )}
        </div>
      )}
      <Sheet
        open={waiting !== undefined}
        onClose={() => setWaiting(undefined)}
        title="Put this file in the place of the house?"
        description={`${waiting?.name ?? ''} takes the place of everything that is here. Save the house file first if you may want it back.`}
        actions={
          <>
            <Button onClick={() => setWaiting(undefined)}>Leave the house as it is</Button>
            <Button weight="danger" disabled={isLoading} onClick={() => void replace()}>
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
