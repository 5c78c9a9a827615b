import { nanoid } from '@reduxjs/toolkit';
import { ACTIONS } from '@bienestar/core/house/actions';
import { WARNINGS } from '@bienestar/core/house/careFacts';
import { HAZARDS } from '@bienestar/core/house/device';
import { ruleThingWords, type HouseRule, type RuleThing } from '@bienestar/core/house/houseRule';
import { asId } from '@bienestar/core/house/ids';
import { spoken } from '../../format/protocolWords';
import { Choice } from '../../parts/Choice';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { AddLine, Line, Section } from './Section';

/** Rules that hold in all protocols, pointed out where one does not keep them. */
export function RulesPanel() {
  const { rules = [] } = useSnapshot().settings;
  const change = useChangeSettings();
  const put = (next: readonly HouseRule[]): Promise<string | undefined> =>
    change({ rules: next.length === 0 ? undefined : next });
  return (
    <Section title="Rules of the house">
      <p className="text-sm text-ink-soft">
        They hold in all protocols: after an enzyme always tone, never heat after alcohol. A step
        that does not keep one says so, and the step that is missing can be added there.
      </p>
      {rules.map((rule, at) => {
        const putRule = (changes: Partial<HouseRule>): Promise<string | undefined> =>
          put(rules.with(at, { ...rule, ...changes }));
        return (
          <Line
            key={rule.id}
            name={`Rule ${at + 1}`}
            onRemove={() => void put(rules.toSpliced(at, 1))}
          >
            <ThingFields
              label="After"
              thing={rule.after}
              onChange={(after) => putRule({ after })}
            />
            <Segments
              label="comes"
              value={rule.comes}
              options={[
                { value: 'always', label: 'always' },
                { value: 'never', label: 'never' },
              ]}
              onChoose={(comes) => void putRule({ comes })}
            />
            <ThingFields label="this" thing={rule.then} onChange={(then) => putRule({ then })} />
          </Line>
        );
      })}
      <AddLine
        what="Add a rule"
        onAdd={() =>
          void put([
            ...rules,
            {
              id: asId(nanoid(12)),
              after: { is: 'named', words: 'enzyme' },
              comes: 'always',
              then: { is: 'action', action: 'tone' },
            },
          ])
        }
      />
    </Section>
  );
}

const NAMED = 'named';
const THINGS: readonly {
  readonly value: string;
  readonly label: string;
  readonly thing: RuleThing;
}[] = [
  ...ACTIONS.map((action) => ({
    value: `action ${action}`,
    label: action,
    thing: { is: 'action', action } as const,
  })),
  ...[...WARNINGS, ...HAZARDS.filter((hazard) => hazard !== 'cold')].map((trait) => ({
    value: `brings ${trait}`,
    label: `what brings ${spoken(trait)}`,
    thing: { is: 'brings', trait } as const,
  })),
];

interface ThingFieldsProps {
  readonly label: string;
  readonly thing: RuleThing;
  readonly onChange: (thing: RuleThing) => Promise<string | undefined>;
}

function ThingFields({ label, thing, onChange }: ThingFieldsProps) {
  const value =
    thing.is === 'named'
      ? NAMED
      : `${thing.is} ${thing.is === 'action' ? thing.action : thing.trait}`;
  return (
    <div className="flex min-w-36 flex-1 flex-wrap items-end gap-2">
      <Choice
        className="min-w-32 flex-1"
        label={label}
        value={value}
        options={[{ value: NAMED, label: 'what is named' }, ...THINGS]}
        onChoose={(chosen) => {
          const next = THINGS.find((each) => each.value === chosen)?.thing;
          void onChange(
            next ?? { is: 'named', words: ruleThingWords(thing).replaceAll(/[“”]/g, '') },
          );
        }}
      />
      {thing.is === 'named' && (
        <TextField
          className="min-w-24 flex-1"
          label={`Named, ${label.toLocaleLowerCase()}`}
          needed
          commitOn="leaving"
          value={thing.words}
          onCommit={(words) => onChange({ is: 'named', words })}
        />
      )}
    </div>
  );
}
