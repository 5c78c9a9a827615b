import { TRAIT_VALUES } from '@bienestar/core/protocol/choosingValues';
import { choicesDeciding } from '@bienestar/core/protocol/deciding';
import type { Client, ClientTraits } from '@bienestar/core/house/client';
import type { ChoosingBy } from '@bienestar/core/house/ways';
import type { WrittenOut } from '@bienestar/core/protocol/expandBlocks';
import { spoken } from '../../format/protocolWords';
import { Choice } from '../../parts/Choice';
import { Toggles } from '../../parts/Toggles';
import { useFindings } from '../../store/useFindings';
import { ZoneButton } from './zones/ZoneButton';

interface ShownForProps {
  readonly client: Client;
  readonly written: WrittenOut | undefined;
  readonly onChange: (client: Client) => void;
}

/** Whom the protocol is shown for: steps, doses, minutes and cost follow. */
export function ShownFor({ client, written, onChange }: ShownForProps) {
  const put = (changes: Partial<Client>): void => onChange({ ...client, ...changes });
  const pick = <K extends Exclude<keyof ClientTraits, 'conditions' | 'visitKind'>>(
    key: K,
    label: string,
  ) => (
    <Choice
      label={label}
      value={client[key]}
      options={TRAIT_VALUES[key].map((value) => ({
        value: value as Client[K],
        label: value === 'reference' ? 'usual' : spoken(value),
      }))}
      onChoose={(value) => put({ [key]: value })}
    />
  );
  const deciding = written ? choicesDeciding(written) : [];
  const atCouch = deciding.filter((choice) => choice.by === 'couch');
  const findings = useFindings();
  const looksWhere = deciding.some(({ options }) => options.some(({ where }) => where));
  const looksAt = (by: ChoosingBy): boolean => deciding.some((choice) => choice.by === by);
  const optional = written?.steps.filter((step) => step.optional !== undefined) ?? [];
  return (
    <section
      aria-label="Shown for"
      className="flex max-h-64 flex-col gap-3 overflow-y-auto border-b border-line bg-sheet px-6 py-3"
    >
      <div className="grid grid-cols-6 gap-3">
        {pick('skinType', 'Skin type')}
        {pick('phototype', 'Phototype')}
        <Choice
          label="Visit"
          value={client.visitKind}
          options={[
            { value: 'first', label: 'first' },
            { value: 'returning', label: 'later' },
          ]}
          onChoose={(visitKind) => put({ visitKind })}
        />
        {pick('dayTime', 'Time of day')}
        {pick('season', 'Season')}
        {pick('build', 'Build')}
        {looksAt('course-visit') && pick('courseVisit', 'Visit of the course')}
        {looksAt('since-last') && pick('sinceLast', 'Last visit was')}
      </div>
      <Toggles
        label="Seen under the lamp"
        values={client.conditions}
        options={findings.map((value) => ({ value, label: spoken(value) }))}
        onChange={(conditions) => put({ conditions })}
      />
      {looksWhere && client.conditions.length > 0 && (
        <div className="flex flex-wrap gap-x-6 gap-y-1 text-sm">
          {client.conditions.map((finding) => (
            <span key={finding} className="flex items-baseline gap-2">
              {spoken(finding)} on
              <ZoneButton
                zones={client.seenOn?.get(finding) ?? []}
                onChange={(zones) => put({ seenOn: new Map(client.seenOn).set(finding, zones) })}
              />
            </span>
          ))}
        </div>
      )}
      {atCouch.length + optional.length > 0 && (
        <div className="grid grid-cols-4 gap-3">
          {atCouch.map((choice) => (
            <Choice
              key={choice.id}
              label={choice.name}
              value={client.decided.get(choice.id) ?? choice.options[0]?.id ?? ''}
              options={choice.options.map(({ id, name }) => ({ value: id, label: name }))}
              onChoose={(id) =>
                put({
                  decided: new Map(client.decided).set(
                    choice.id,
                    id as Client['decided'] extends ReadonlyMap<unknown, infer V> ? V : never,
                  ),
                })
              }
            />
          ))}
          {optional.map((step) => (
            <Choice
              key={step.id}
              label={step.name}
              value={client.optional.get(step.id) ?? step.optional?.usually ?? 'done'}
              options={[
                { value: 'done', label: 'done' },
                { value: 'left-out', label: 'left out' },
              ]}
              onChoose={(done) => put({ optional: new Map(client.optional).set(step.id, done) })}
            />
          ))}
        </div>
      )}
    </section>
  );
}
