import { ChevronRight, Copy } from 'lucide-react';
import { Link } from 'react-router';
import { toast } from '../toast';
import type { Origin, Working, WorkingInput } from '@bienestar/core/explain/working';
import { figureText } from '../../format/figures';
import { workingText } from '../../format/workingText';
import { useHouse } from '../../store/house';
import { Button } from '../Button';

interface WorkingViewProps {
  readonly working: Working;
  readonly onLeave: () => void;
}

/** A working: the figure, the formula in words, and its inputs, each of which may open further. */
export function WorkingView({ working, onLeave }: WorkingViewProps) {
  const { currency } = useHouse().settings;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-center justify-between gap-4">
        <p className="font-serif text-3xl">{figureText(working.result, currency)}</p>
        <Button onClick={() => void copy(working, currency)}>
          <Copy aria-hidden size={16} /> Copy as text
        </Button>
      </div>
      <Body working={working} currency={currency} onLeave={onLeave} />
    </div>
  );
}

async function copy(working: Working, currency: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(workingText(working, currency));
    toast('The working is on the clipboard.');
  } catch {
    toast.error('This browser does not let it be copied.');
  }
}

interface BodyProps extends WorkingViewProps {
  readonly currency: string;
}

function Body({ working, currency, onLeave }: BodyProps) {
  return (
    <>
      <p className="text-sm leading-relaxed text-ink-soft">
        {working.words} <span className="whitespace-nowrap">({working.codes.join(', ')})</span>
      </p>
      {working.inputs.length > 0 && (
        <ul className="border-t border-line">
          {working.inputs.map((input, at) => (
            <li key={`${input.label}-${at}`} className="border-b border-line">
              <Input input={input} currency={currency} onLeave={onLeave} />
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

interface InputProps {
  readonly input: WorkingInput;
  readonly currency: string;
  readonly onLeave: () => void;
}

function Input({ input, currency, onLeave }: InputProps) {
  const value = figureText(input.value, currency);
  if (!input.working) {
    return (
      <p className="flex items-baseline gap-3 py-2 pl-6">
        <span className="min-w-0 flex-1">
          {input.label}
          {input.from && (
            <Link
              to={addressOf(input.from)}
              onClick={onLeave}
              className="ml-2 text-sm whitespace-nowrap text-palm underline underline-offset-4"
            >
              {placeName(input.from)}
            </Link>
          )}
        </span>
        <span className="text-right font-semibold">{value}</span>
      </p>
    );
  }
  return (
    <details>
      <summary className="flex list-none items-baseline gap-2 py-2">
        <ChevronRight
          aria-hidden
          size={16}
          className="shrink-0 self-center text-ink-soft transition-transform [details[open]>summary>&]:rotate-90"
        />
        <span className="min-w-0 flex-1">{input.label}</span>
        <span className="text-right font-semibold">{value}</span>
      </summary>
      <div className="mb-3 ml-2 flex flex-col gap-3 border-l border-line-strong pl-4">
        <Body working={input.working} currency={currency} onLeave={onLeave} />
      </div>
    </details>
  );
}

/** The address at which an input can be changed. */
function addressOf(from: Origin): string {
  switch (from.place) {
    case 'shelf':
      return `/shelf/${from.materialId}`;
    case 'mix':
      return `/shelf/${from.mixId}`;
    case 'step':
      return `/protocols/${from.protocolId}/${from.stepId}`;
    case 'protocol':
      return `/protocols/${from.protocolId}`;
    case 'service':
      return `/menu/${from.serviceId}`;
    case 'house':
      return '/house';
  }
}

function placeName(from: Origin): string {
  switch (from.place) {
    case 'shelf':
    case 'mix':
      return 'on the shelf';
    case 'step':
      return 'in the step';
    case 'protocol':
      return 'in the protocol';
    case 'service':
      return 'in the menu';
    case 'house':
      return 'in the house';
  }
}
