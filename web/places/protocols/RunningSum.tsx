import { ListPlus } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import { toast } from '../../parts/toast';
import { explainCost, type ExplainedService } from '@bienestar/core/explain/explainCost';
import { explainPrice } from '@bienestar/core/explain/explainPrice';
import type { Protocol } from '@bienestar/core/house/house';
import { Button } from '../../parts/Button';
import { useAddMutation } from '../../store/api';
import { refusalWords } from '../../store/refusals';
import { useNewestEdition } from '../../store/useNewestEdition';
import { Cautions } from './Cautions';
import { CostSum } from './CostSum';
import { DrawnAmounts } from './DrawnAmounts';
import { PriceSum } from './PriceSum';
import { TimeSum } from './TimeSum';
import { Findings } from './inspector/Findings';
import type { EditProtocol } from './useDraft';
import type { ShownService } from './useShownService';

interface RunningSumProps {
  readonly shown: ShownService;
  readonly protocol: Protocol;
  readonly edit: EditProtocol;
  /** false of a block, which is not sold by itself */
  readonly sold: boolean;
}

/** The sum that the protocol makes: minutes, cost, price, what is drawn; and what changed since it was opened. */
export function RunningSum({ shown, protocol, edit, sold }: RunningSumProps) {
  const { house, service, services, figures, opened, problems, findings, worked } = shown;
  const explained = explainedService(shown);
  const { price } = figures;
  /* What only should be thought of stands at its step. */
  const heavy = findings.filter(
    ({ weight, where }) => weight !== 'prompt' || where.stepId === undefined,
  );
  return (
    <section
      aria-label="Running sum"
      className="flex min-h-0 flex-col gap-4 overflow-y-auto px-5 py-4"
    >
      {sold && services.length === 0 && <PutOnMenu shown={shown} />}
      <Findings problems={problems} findings={heavy} />
      {figures.schedule.ok && worked && (
        <TimeSum
          schedule={figures.schedule.value}
          service={service}
          protocol={worked}
          house={house}
        />
      )}
      {explained && (
        <CostSum
          cost={explained.cost}
          opened={opened?.cost.ok ? opened.cost.value : undefined}
          currency={house.settings.currency}
          charge={house.settings.therapistCharge}
          working={(part) => explainCost(part, explained)}
        />
      )}
      {sold && explained && price.ok && (
        <PriceSum
          price={price.value}
          openedGross={opened?.price.ok ? opened.price.value.gross : undefined}
          currency={house.settings.currency}
          working={(part) => explainPrice(part, price.value, explained)}
        />
      )}
      <Cautions protocol={protocol} shown={shown} edit={edit} />
      {figures.consumption.ok && figures.draws.ok && worked && (
        <DrawnAmounts
          house={house}
          protocol={worked}
          draws={figures.draws.value}
          consumption={figures.consumption.value}
          restocking={shown.restocking}
        />
      )}
    </section>
  );
}

function explainedService({
  house,
  service,
  figures,
  worked,
}: ShownService): ExplainedService | undefined {
  if (!worked || !figures.schedule.ok || !figures.rates.ok || !figures.cost.ok) return undefined;
  return {
    house,
    service,
    protocol: worked,
    schedule: figures.schedule.value,
    rates: figures.rates.value,
    cost: figures.cost.value,
  };
}

function PutOnMenu({ shown: { service, house } }: { readonly shown: ShownService }) {
  const [add, { isLoading }] = useAddMutation();
  const edition = useNewestEdition(service.protocolId);
  const put = async (): Promise<void> => {
    const value = { ...service, id: nanoid(12), ...(edition !== undefined && { edition }) };
    const made = await add({ part: 'services', value });
    if (!made.error) {
      toast(`${service.name} is on the menu.`);
      return;
    }
    toast.error(refusalWords(made.error));
  };
  return (
    <div className="flex flex-col items-start gap-2 border-l-2 border-line-strong pl-3 text-sm text-ink-soft">
      Not on the menu yet: counted as if any of{' '}
      {house.people.filter((each) => each.role === 'therapist').length} therapists performed it.
      <Button disabled={isLoading} onClick={() => void put()}>
        <ListPlus aria-hidden size={16} /> Put it on the menu
      </Button>
    </div>
  );
}
