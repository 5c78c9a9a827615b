import { Sheet } from '../../parts/Sheet';

const KEYS: readonly (readonly [string, string])[] = [
  ['↑ ↓', 'go through the steps'],
  ['Enter', 'add a step after this one'],
  ['Alt + ↑ ↓', 'move the step'],
  ['→', 'go into the step'],
  ['/', 'say a step'],
  ['Shift + ↑ ↓', 'take several steps'],
  ['Ctrl + C, X, V', 'copy, cut and paste steps, also into another protocol'],
  ['Ctrl + F', 'find a step'],
  ['Esc', 'back from the step to the list'],
  ['Delete', 'remove the step'],
  ['Ctrl + Z', 'undo'],
  ['Ctrl + Y', 'redo'],
];

/** The keys of the workbench. */
export function Shortcuts({
  open,
  onClose,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  return (
    <Sheet open={open} onClose={onClose} title="Keys of the workbench">
      <dl className="grid grid-cols-[8rem_1fr] gap-y-2">
        {KEYS.map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt>
              <kbd className="border border-line-strong px-1.5 py-0.5 font-sans text-sm">
                {keys}
              </kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
