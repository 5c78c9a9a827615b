import { ArrowDown, ArrowUp } from 'lucide-react';
import { PHASES, type Phase } from '@bienestar/core/house/actions';
import { GIVES_FIRST } from '@bienestar/core/run/runTimes';
import { spoken } from '../../format/protocolWords';
import { Choice } from '../../parts/Choice';
import { IconButton } from '../../parts/Button';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { Line, Section } from './Section';

/** Where minutes are won back first when a visit runs late, the least harm in front. Contact is never among them. */
export function GivesFirst() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  const order = settings.givesFirst ?? GIVES_FIRST;
  const keep = (next: readonly Phase[]): void => {
    void change({ givesFirst: next.length === 0 ? undefined : next });
  };
  const moved = (from: number, to: number): void => {
    const phase = order[from];
    if (phase) keep(order.toSpliced(from, 1).toSpliced(to, 0, phase));
  };
  const others = PHASES.filter((phase) => !order.includes(phase));
  return (
    <Section title="When a visit runs late">
      <p className="text-sm text-ink-soft">
        Minutes are won back here first, the least harm in front; never in contact, cooling,
        neutralising or questions.
      </p>
      {order.map((phase, at) => (
        <Line
          key={phase}
          name={spoken(phase)}
          onRemove={() => keep(order.filter((each) => each !== phase))}
        >
          <span className="min-w-0 flex-1">
            {at + 1}. {spoken(phase)}
          </span>
          <IconButton
            label={`${spoken(phase)} earlier`}
            disabled={at === 0}
            onClick={() => moved(at, at - 1)}
          >
            <ArrowUp aria-hidden size={16} />
          </IconButton>
          <IconButton
            label={`${spoken(phase)} later`}
            disabled={at === order.length - 1}
            onClick={() => moved(at, at + 1)}
          >
            <ArrowDown aria-hidden size={16} />
          </IconButton>
        </Line>
      ))}
      <Choice
        label="Also"
        value={'' as Phase}
        placeholder="Choose what may give, too"
        options={others.map((phase) => ({ value: phase, label: spoken(phase) }))}
        onChoose={(phase) => keep([...order, phase])}
      />
    </Section>
  );
}
