import { useMemo, useState } from 'react';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { House, Protocol, Service } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Outcome, Problem } from '@bienestar/core/house/problem';
import { useFigures, useHouse, useOpenedFigures } from '../../store/house';

/** The service by which a protocol is counted on the workbench. */
export interface ShownService {
  readonly house: House;
  readonly service: Service;
  /** every service that uses the protocol */
  readonly services: readonly Service[];
  readonly choose: (id: string) => void;
  readonly figures: ServiceFigures | undefined;
  /** as they were when the protocol was opened */
  readonly opened: ServiceFigures | undefined;
  readonly problems: readonly Problem[];
  /** false for a protocol that no service uses yet: then it is counted as if all therapists performed it */
  readonly onMenu: boolean;
}

const calculateTrial = createCalculator();

/** Which service's figures are shown while a protocol is written, and those figures. */
export function useShownService(protocolId: string, protocol: Protocol | undefined): ShownService {
  const house = useHouse();
  const figures = useFigures();
  const opened = useOpenedFigures();
  const [chosen, choose] = useState<string>();
  const services = house.services.filter((service) => service.protocolId === protocolId);
  const onMenu = services.length > 0;
  const name = protocol?.name ?? '';

  const trial = useMemo(() => trialService(protocolId, name, house), [house, name, protocolId]);
  const service = services.find((each) => each.id === chosen) ?? services[0] ?? trial;
  const ofService = useMemo(
    () =>
      onMenu
        ? figures.services.get(service.id)
        : calculateTrial({ ...house, services: [trial] }).services.get(trial.id),
    [figures, house, onMenu, service.id, trial],
  );
  return {
    house,
    service,
    services,
    choose,
    figures: ofService,
    opened: opened.services.get(service.id),
    problems: ofService ? problemsIn(ofService) : [],
    onMenu,
  };
}

function trialService(protocolId: string, name: string, house: House): Service {
  return {
    id: asId(`trial-${protocolId}`),
    name,
    protocolId: asId(protocolId),
    visitKind: 'returning',
    therapistIds: house.people
      .filter((person) => person.role === 'therapist')
      .map((person) => person.id),
  };
}

function problemsIn({ schedule, draws, cost, price }: ServiceFigures): Problem[] {
  const found = new Map<string, Problem>();
  const outcomes: readonly Outcome<unknown>[] = [schedule, draws, cost, price];
  for (const outcome of outcomes) {
    if (outcome.ok) continue;
    for (const problem of outcome.problems) found.set(JSON.stringify(problem), problem);
  }
  if (schedule.ok)
    for (const problem of schedule.value.conflicts) found.set(JSON.stringify(problem), problem);
  return [...found.values()];
}
