import { useState } from 'react';
import { LONGEST_LOT_CODE } from '@bienestar/core/house/limits';
import { FormFault } from '../../../parts/FormFault';
import { toast } from '../../../parts/toast';
import { LIMITS, within } from '@bienestar/contract/limits';
import { type Versioned } from '@bienestar/contract/api';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import type { Fault } from '@bienestar/contract/check';
import type { BoughtMaterial, Order } from '@bienestar/core/house/house';
import type { PackId } from '@bienestar/core/house/ids';
import { openPacksOf } from '@bienestar/core/restock/orderProgress';
import type { ReceivedLine, Receiving } from '@bienestar/core/restock/receiveOrder';
import { Button } from '../../../parts/Button';
import { useRightForm } from '../../../parts/useRightForm';
import { DayField } from '../../../parts/DayField';
import { NamedAbove } from '../../../parts/FieldFrame';
import { MoneyField } from '../../../parts/MoneyField';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { Sheet } from '../../../parts/Sheet';
import { TextField } from '../../../parts/TextField';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { outbox } from '../../../store/store';
import { KEPT_FOR_LATER, newEntryId, newLotId } from '../../../store/useEnter';

interface ReceiveSheetProps {
  readonly order: Versioned<Order>;
  readonly onClose: () => void;
}

/** A delivery of an order as it is unpacked: what came of each line, under which lot, until when it keeps. */
export function ReceiveSheet({ order, onClose }: ReceiveSheetProps) {
  const { materials } = useHouse();
  const { today } = useRestock();
  const [isBusy, setIsBusy] = useState(false);
  const [on, setOn] = useState(today);
  const [rest, setRest] = useState<Receiving['rest']>('awaited');
  const [lines, setLines] = useState<readonly ReceivedLine[]>(() =>
    order.lines.filter((line) => openPacksOf(line) > 0).map(emptyLine),
  );
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const { form, fault: message, setFault: setMessage, isRight } = useRightForm();
  const put = (line: ReceivedLine): void => {
    setLines(lines.map((each) => (each.lineId === line.lineId ? line : each)));
    /* What the house said of it was said of how it was. */
    setFaults([]);
  };
  const everything = (): void =>
    setLines(
      lines.map((line) => {
        const ordered = order.lines.find(({ id }) => id === line.lineId);
        return ordered ? { ...line, packs: openPacksOf(ordered) } : line;
      }),
    );
  const enter = async (): Promise<void> => {
    if (!isRight()) return;
    const receiving: Receiving = { on, lines, rest };
    setIsBusy(true);
    const { id: orderId, version, name } = order;
    const change = { kind: 'receipt', orderId, version, receiving } as const;
    const outcome = await outbox.put(change, name).tried;
    setIsBusy(false);
    if (outcome.is !== 'refused') {
      if (outcome.is === 'done') toast.success('It is on the shelf.');
      else toast(KEPT_FOR_LATER);
      onClose();
      return;
    }
    const { document } = outcome;
    if (document.type === PROBLEM_TYPES.stale) {
      setMessage(
        'Somebody else received some of this order meanwhile: what came since is shown now. Check what is left, and enter it again.',
      );
      return;
    }
    setFaults(document.errors ?? []);
    setMessage(document.errors ? undefined : document.detail);
  };
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title={`What came of ${order.name}`}
      description="Each line becomes a lot on the shelf. Leave at 0 what has not come."
      actions={
        <Button weight="main" disabled={isBusy} onClick={() => void enter()}>
          On the shelf with it
        </Button>
      }
    >
      <div ref={form} className="flex flex-col gap-4">
        <div className="flex flex-wrap items-end gap-4">
          <DayField className="w-48" label="Came on" value={on} onCommit={setOn} />
          <Segments<Receiving['rest']>
            label="What is missing"
            value={rest}
            options={[
              { value: 'awaited', label: 'is still to come' },
              { value: 'given-up', label: 'will not come' },
            ]}
            onChoose={setRest}
          />
          <Button onClick={everything}>Everything came</Button>
        </div>
        {lines.map((line, at) => {
          const ordered = order.lines.find(({ id }) => id === line.lineId);
          const material = materials.find(({ id }) => id === ordered?.materialId);
          if (!ordered || !material || material.kind === 'linen') return null;
          return (
            <CameLine
              key={line.lineId}
              line={line}
              open={openPacksOf(ordered)}
              material={material}
              faults={faults.filter(({ pointer }) => pointer.startsWith(`/lines/${at}/`))}
              onChange={put}
            />
          );
        })}
        <FormFault fault={message} />
        {faults
          .filter(({ pointer }) => !pointer.startsWith('/lines/'))
          .map(({ pointer, message: words }) => (
            <p key={pointer} role="alert" className="text-sm font-semibold text-clay">
              ▲ {words}
            </p>
          ))}
      </div>
    </Sheet>
  );
}

function emptyLine(line: Order['lines'][number]): ReceivedLine {
  return {
    lineId: line.id,
    entryId: newEntryId(),
    lotId: newLotId(),
    packId: line.confirmed?.packId ?? line.packId,
    packs: 0,
    code: '',
    paidMinor: line.priceMinor,
    refused: 0,
  };
}

interface CameLineProps {
  readonly line: ReceivedLine;
  readonly open: number;
  readonly material: BoughtMaterial;
  readonly faults: readonly Fault[];
  readonly onChange: (line: ReceivedLine) => void;
}

function CameLine({ line, open, material, faults, onChange }: CameLineProps) {
  const { name } = material;
  const faultAt = (field: string): string | undefined =>
    faults.find(({ pointer }) => pointer.endsWith(`/${field}`))?.message;
  const loose = faults.filter(
    ({ pointer }) => !['packs', 'expiresOn'].some((field) => pointer.endsWith(`/${field}`)),
  );
  return (
    <fieldset className="border-t border-line pt-3">
      <legend className="sr-only">{name}</legend>
      <div className="flex items-baseline gap-3">
        <p className="flex-1 font-serif text-lg">{name}</p>
        <button
          type="button"
          className="text-sm text-palm underline underline-offset-4"
          onClick={() => onChange({ ...line, packs: open })}
        >
          All {open} came<span className="sr-only"> of {name}</span>
        </button>
      </div>
      <NamedAbove value={name}>
        <div className="grid grid-cols-2 items-end gap-3 pt-1 sm:grid-cols-5">
          <NumberField
            label={`Packs of ${name} that came`}
            value={line.packs}
            check={within(LIMITS.packsOrNone)}
            error={faultAt('packs')}
            onCommit={(packs) => onChange({ ...line, packs })}
          />
          <TextField
            label={`Lot number of ${name}`}
            longest={LONGEST_LOT_CODE}
            value={line.code}
            onCommit={(code) => onChange({ ...line, code })}
          />
          <DayField
            label={`Keeps until, ${name}`}
            value={line.expiresOn ?? ''}
            onCommit={(day) => onChange({ ...line, expiresOn: day === '' ? undefined : day })}
          />
          <MoneyField
            label={`A pack of ${name} on the invoice`}
            value={line.paidMinor}
            onCommit={(paidMinor) => onChange({ ...line, paidMinor })}
            onClear={() => onChange({ ...line, paidMinor: undefined })}
          />
          <NumberField
            label={`Packs of ${name} sent back`}
            value={line.refused}
            check={within(LIMITS.packsOrNone)}
            onCommit={(refused) => onChange({ ...line, refused })}
          />
        </div>
      </NamedAbove>
      {material.packs.length > 1 && line.packs > 0 && (
        <div className="pt-2">
          <Segments<PackId>
            label={`Pack of ${name} that came`}
            value={line.packId}
            options={material.packs.map((pack) => ({
              value: pack.id,
              label: pack.code ?? `${pack.content} ${material.unit}`,
            }))}
            onChoose={(packId) => onChange({ ...line, packId })}
          />
        </div>
      )}
      {line.packs > open && (
        <label className="mt-2 flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-4 accent-(--color-palm)"
            checked={line.tooMany === 'keep'}
            onChange={(event) =>
              onChange({ ...line, tooMany: event.target.checked ? 'keep' : undefined })
            }
          />
          More came than was ordered, and all of it stays
        </label>
      )}
      {faultAt('expiresOn') !== undefined && (
        <p role="alert" className="mt-1 text-sm font-semibold text-clay">
          ▲ {faultAt('expiresOn')}
        </p>
      )}
      {loose.map(({ pointer, message }) => (
        <p key={pointer} role="alert" className="mt-1 text-sm font-semibold text-clay">
          ▲ {message}
        </p>
      ))}
    </fieldset>
  );
}
