import { useMemo, useState } from 'react';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { toast } from '../../../parts/toast';
import type { Versioned } from '@bienestar/contract/api';
import type { Service } from '@bienestar/core/house/house';
import { draftFrom } from '@bienestar/core/protocol/publish';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Findings } from '../inspector/Findings';
import { Sheet } from '../../../parts/Sheet';
import { TextField } from '../../../parts/TextField';
import { useEditionQuery, usePublishMutation } from '../../../store/api';
import { refusalWords } from '../../../store/refusals';
import type { Draft } from '../../../store/drafts';
import { useSnapshot } from '../../../store/house';
import { useChange } from '../../../store/useEditPart';
import type { EditProtocol } from '../useDraft';
import type { ShownService } from '../useShownService';
import { dayOf } from '@bienestar/core/days/days';
import { dayText } from '../../../format/figures';
import { useTimeZone } from '../../../store/clock';
import { EditionComparison } from './EditionComparison';

interface EditionsSheetProps {
  readonly draft: Draft;
  readonly edit: EditProtocol;
  readonly shown: ShownService;
  readonly onClose: () => void;
}

const DRAFT = 'draft';

/** The published editions of a protocol: publish the draft, compare two, go back to one, work services by one. */
export function EditionsSheet({ draft, edit, shown, onClose }: EditionsSheetProps) {
  const timeZone = useTimeZone();
  const snapshot = useSnapshot();
  const { present } = draft;
  const heads = snapshot.editionHeads
    .filter((head) => head.protocolId === present.id)
    .toSorted((a, b) => b.number - a.number);
  const [newest] = heads;
  const [compared, setCompared] = useState<number>();
  const number = compared ?? newest?.number;
  const { data: edition } = useEditionQuery(
    { protocolId: present.id, number: number ?? 0 },
    { skip: number === undefined },
  );
  const [beside, setBeside] = useState<number>();
  const { data: another } = useEditionQuery(
    { protocolId: present.id, number: beside ?? 0 },
    { skip: beside === undefined },
  );
  const { mixes } = shown.house;
  const other = useMemo(
    () =>
      beside !== undefined && another?.number === beside
        ? { ...another, name: `edition ${another.number}` }
        : { protocol: present, mixes, name: 'the draft' },
    [another, beside, mixes, present],
  );
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Editions"
      description="Services are worked by a published edition, which never changes. The draft may go on."
    >
      <div className="flex flex-col gap-6">
        <Publish draft={draft} shown={shown} />
        {heads.length === 0 ? (
          <p className="text-ink-soft">Nothing is published yet.</p>
        ) : (
          <>
            <ol aria-label="Published editions" className="flex flex-col text-sm">
              {heads.map((head) => (
                <li
                  key={head.number}
                  className="grid grid-cols-[6rem_9rem_1fr_auto] items-baseline gap-3 border-b border-line py-1.5"
                >
                  <strong>edition {head.number}</strong>
                  <time dateTime={head.publishedAt} className="text-ink-soft">
                    {dayText(dayOf(new Date(head.publishedAt), timeZone))}
                  </time>
                  <span>{head.note}</span>
                  <Button
                    weight="quiet"
                    onClick={() => {
                      setCompared(head.number);
                      setBeside(undefined);
                    }}
                  >
                    Compare
                  </Button>
                </li>
              ))}
            </ol>
            {edition && heads.length > 1 && (
              <Choice
                className="w-72"
                label={`Edition ${edition.number} beside`}
                value={String(beside ?? DRAFT)}
                options={[
                  { value: DRAFT, label: 'the draft' },
                  ...heads
                    .filter((head) => head.number !== edition.number)
                    .map((head) => ({
                      value: String(head.number),
                      label: `edition ${head.number}`,
                    })),
                ]}
                onChoose={(value) => setBeside(value === DRAFT ? undefined : Number(value))}
              />
            )}
            {edition && (
              <EditionComparison
                edition={edition}
                other={other}
                shown={shown}
                onGoBack={() => {
                  edit((before) => draftFrom(edition, before));
                  toast(`The draft is edition ${edition.number} again. You can undo this.`);
                  onClose();
                }}
              />
            )}
            <WorkedBy shown={shown} numbers={heads.map((head) => head.number)} />
          </>
        )}
      </div>
    </Sheet>
  );
}

function Publish({ draft, shown }: { readonly draft: Draft; readonly shown: ShownService }) {
  const [note, setNote] = useState('');
  const [publish, { isLoading }] = usePublishMutation();
  const faults = shown.findings.filter((finding) => finding.weight === 'fault');
  const isSaved = draft.saving.state === 'saved';
  const put = async (): Promise<void> => {
    const made = await publish({
      protocolId: draft.present.id,
      version: draft.base.version,
      note: note.trim(),
    });
    if (!made.error) {
      toast(`Edition ${made.data.number} is published.`);
      setNote('');
      return;
    }
    toast.error(refusalWords(made.error));
  };
  const stops = shown.problems.length + faults.length > 0;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-end gap-3">
        <TextField
          className="flex-1"
          label="What is new, in a few words"
          value={note}
          longest={LONGEST_TEXT}
          onCommit={setNote}
        />
        <Button
          weight="main"
          disabled={note.trim() === '' || stops || !isSaved || isLoading}
          onClick={() => void put()}
        >
          Publish the draft
        </Button>
      </div>
      {stops && <p className="text-sm text-clay">These must be put right first:</p>}
      <Findings problems={shown.problems} findings={faults} />
    </div>
  );
}

interface WorkedByProps {
  readonly shown: ShownService;
  readonly numbers: readonly number[];
}

/** By which edition each service is worked. */
function WorkedBy({ shown, numbers }: WorkedByProps) {
  const snapshot = useSnapshot();
  const services = snapshot.services.filter((service) =>
    shown.services.some((each) => each.id === service.id),
  );
  return (
    <div className="grid grid-cols-2 gap-3">
      {services.map((service) => (
        <EditionOf key={service.id} service={service} numbers={numbers} />
      ))}
    </div>
  );
}

interface EditionOfProps {
  readonly service: Versioned<Service>;
  readonly numbers: readonly number[];
}

function EditionOf({ service, numbers }: EditionOfProps) {
  const change = useChange('services', service);
  const { name, edition } = service;
  const [newest] = numbers;
  return (
    <Choice
      label={`${name} is worked by`}
      hint={
        edition !== undefined && newest !== undefined && edition < newest
          ? `there is a newer one, edition ${newest}`
          : undefined
      }
      value={String(edition ?? DRAFT)}
      options={[
        ...(edition === undefined ? [{ value: DRAFT, label: 'the draft, as it stands' }] : []),
        ...numbers.map((each) => ({ value: String(each), label: `edition ${each}` })),
      ]}
      onChoose={(value) => {
        if (value !== DRAFT) void change({ edition: Number(value) });
      }}
    />
  );
}
