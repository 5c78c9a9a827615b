import { counted } from '../../format/figures';
import { useMemo, useState } from 'react';
import { cautionsOf, type Caution } from '@bienestar/core/care/cautionsOf';
import type { OwnCautions, Protocol, WorkedProtocol } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import type { CautionLevel } from '@bienestar/core/house/around';
import { LEVEL_WORDS } from '../../format/protocolWords';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import type { EditProtocol } from './useDraft';
import type { ShownService } from './useShownService';

interface CautionsProps {
  readonly protocol: Protocol;
  readonly shown: ShownService;
  readonly edit: EditProtocol;
}

const NONE: OwnCautions = { added: [], removed: [] };

/** The cautions of the protocol in a line, with the whole list behind it. Prompts, never a permission. */
export function Cautions({ protocol, shown, edit }: CautionsProps) {
  const [open, setOpen] = useState(false);
  const { written, worked, shelf, house } = shown;
  /* Over every option, since anybody may come. */
  const all = useMemo((): WorkedProtocol | undefined => {
    return written && worked && { ...worked, ...written };
  }, [worked, written]);
  const list = useMemo(
    () => all && cautionsOf(all, shelf, indexHouse(house).devices),
    [all, house, shelf],
  );
  if (!list) return null;
  const kept = list.cautions.filter((caution) => caution.removed === undefined);
  const stops = kept.filter((caution) => caution.level === 'stop').length;
  return (
    <div className="border-l-2 border-clay pl-3 text-sm">
      <button type="button" className="text-left font-semibold" onClick={() => setOpen(true)}>
        {kept.length > 0 && (
          <span aria-hidden className="text-clay">
            ▲{' '}
          </span>
        )}
        <span className="underline decoration-dotted underline-offset-4">
          {counted(kept.length, 'caution')}
          {stops > 0 && `, ${stops} of them stops`}
        </span>
      </button>
      {open && (
        <CautionsSheet
          cautions={list.cautions}
          notice={list.notice}
          own={protocol.cautions ?? NONE}
          onChange={(cautions) => edit((before) => ({ ...before, cautions }))}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  );
}

interface CautionsSheetProps {
  readonly cautions: readonly Caution[];
  readonly notice: string | undefined;
  readonly own: OwnCautions;
  readonly onChange: (own: OwnCautions) => void;
  readonly onClose: () => void;
}

function CautionsSheet({ cautions, notice, own, onChange, onClose }: CautionsSheetProps) {
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Cautions"
      description="Drawn from what the protocol uses; the house adds its own. A usual caution can be taken off only with a written reason, which stays in sight."
    >
      <ul className="flex flex-col">
        {cautions.map((caution) => (
          <CautionRow
            key={JSON.stringify(caution.of)}
            caution={caution}
            own={own}
            onChange={onChange}
          />
        ))}
      </ul>
      <AddCaution onAdd={(added) => onChange({ ...own, added: [...own.added, added] })} />
      {notice !== undefined && (
        <p className="mt-4 border-t border-line pt-3 text-sm text-ink-soft">{notice}</p>
      )}
    </Sheet>
  );
}

interface CautionRowProps {
  readonly caution: Caution;
  readonly own: OwnCautions;
  readonly onChange: (own: OwnCautions) => void;
}

function CautionRow({ caution, own, onChange }: CautionRowProps) {
  const [reason, setReason] = useState<string>();
  const { of, level, text, why, because, removed } = caution;
  const takeOff = (): void => {
    if (of.kind !== 'rule' || reason === undefined || reason.trim() === '') return;
    onChange({
      ...own,
      removed: [...own.removed, { ruleId: of.ruleId, reason: reason.trim() }],
    });
    setReason(undefined);
  };
  const bring = (): void => {
    if (of.kind === 'rule')
      onChange({ ...own, removed: own.removed.filter(({ ruleId }) => ruleId !== of.ruleId) });
  };
  return (
    <li className="grid grid-cols-[5.5rem_1fr_auto] items-baseline gap-x-4 border-b border-line py-2">
      <span className={`text-sm font-semibold ${level === 'stop' ? 'text-clay' : ''}`}>
        <span aria-hidden>{level === 'stop' ? '■ ' : level === 'refer' ? '▲ ' : '● '}</span>
        {LEVEL_WORDS[level]}
      </span>
      <div className={removed === undefined ? '' : 'text-ink-soft'}>
        <strong className={removed === undefined ? '' : 'line-through'}>{text}</strong>
        <span className="block text-sm text-ink-soft">
          {why}
          {because.length > 0 &&
            ` From ${because.map(({ stepName, thing }) => (thing === undefined ? stepName : `${stepName} (${thing})`)).join(', ')}.`}
        </span>
        {removed !== undefined && (
          <span className="block text-sm">Taken off by the house: {removed}</span>
        )}
        {reason !== undefined && (
          <div className="mt-2 flex items-end gap-2">
            <TextField label={`Why ${text} is taken off`} value={reason} onCommit={setReason} />
            <Button disabled={reason.trim() === ''} onClick={takeOff}>
              Take it off
            </Button>
            <Button weight="quiet" onClick={() => setReason(undefined)}>
              Leave it
            </Button>
          </div>
        )}
      </div>
      <div>
        {of.kind === 'rule' &&
          (removed === undefined ? (
            reason === undefined && (
              <Button weight="quiet" onClick={() => setReason('')}>
                Take off …
              </Button>
            )
          ) : (
            <Button weight="quiet" onClick={bring}>
              Put back
            </Button>
          ))}
        {of.kind === 'own' && (
          <Button
            weight="quiet"
            onClick={() => onChange({ ...own, added: own.added.toSpliced(of.at, 1) })}
          >
            Remove
          </Button>
        )}
      </div>
    </li>
  );
}

type Added = OwnCautions['added'][number];

function AddCaution({ onAdd }: { readonly onAdd: (added: Added) => void }) {
  const [text, setText] = useState('');
  const [why, setWhy] = useState('');
  const [level, setLevel] = useState<CautionLevel>('take-care');
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <Button className="mt-4" onClick={() => setOpen(true)}>
        Add a caution of the house
      </Button>
    );
  }
  return (
    <div className="mt-4 grid grid-cols-[9rem_1fr_1fr_auto] items-end gap-3">
      <Choice
        label="What it asks"
        value={level}
        options={(['stop', 'refer', 'take-care'] as const).map((value) => ({
          value,
          label: LEVEL_WORDS[value],
        }))}
        onChoose={setLevel}
      />
      <TextField label="A caution of the house" value={text} onCommit={setText} />
      <TextField label="Why" value={why} onCommit={setWhy} />
      <Button
        disabled={text.trim() === ''}
        onClick={() => {
          onAdd({ level, text: text.trim(), why: why.trim() });
          setText('');
          setWhy('');
          setOpen(false);
        }}
      >
        Add it
      </Button>
    </div>
  );
}
