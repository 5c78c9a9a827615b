import { Plus, X } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import type { Choice as ChoiceOf, ChoiceOption, Protocol } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { CHOOSING_BY, type ChoosingBy } from '@bienestar/core/house/ways';
import { choosingValues } from '@bienestar/core/protocol/choosingValues';
import { changeChoice, removeChoice, removeOption } from '@bienestar/core/protocol/editChoices';
import { CHOOSING_WORDS, spoken } from '../../format/protocolWords';
import { Button, IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Segments } from '../../parts/Segments';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { Toggles } from '../../parts/Toggles';
import { useHouse } from '../../store/house';
import type { EditProtocol } from './useDraft';
import { ZoneButton } from './zones/ZoneButton';

interface ChoicesSheetProps {
  readonly protocol: Protocol;
  readonly edit: EditProtocol;
  readonly onClose: () => void;
}

/** The choices of a protocol: what each looks at, its options and for whom they are. */
export function ChoicesSheet({ protocol, edit, onClose }: ChoicesSheetProps) {
  const add = (): void =>
    edit((before) => ({
      ...before,
      choices: [
        ...before.choices,
        {
          id: asId(nanoid(12)),
          name: 'New choice',
          by: 'skin-type',
          take: 'first',
          options: [newOption('For some'), newOption('For anybody else')],
        },
      ],
    }));
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Choices by client"
      description="Steps and products are put into an option under “For whom”. An option that names nobody is for anybody else."
      actions={
        <Button weight="main" onClick={onClose}>
          Done
        </Button>
      }
    >
      <div className="flex flex-col gap-6">
        {protocol.choices.map((choice) => (
          <ChoiceEditor key={choice.id} choice={choice} edit={edit} />
        ))}
        <Button className="self-start" onClick={add}>
          <Plus aria-hidden size={16} /> Another choice
        </Button>
      </div>
    </Sheet>
  );
}

function newOption(name: string): ChoiceOption {
  return { id: asId(nanoid(12)), name, for: [] };
}

function ChoiceEditor({
  choice,
  edit,
}: {
  readonly choice: ChoiceOf;
  readonly edit: EditProtocol;
}) {
  const put = (changes: Partial<ChoiceOf>, typed?: string): void =>
    edit(
      (before) => changeChoice(before, choice.id, changes),
      typed === undefined ? undefined : `${choice.id}.${typed}`,
    );
  const putOption = (at: number, changes: Partial<ChoiceOption>, typed?: string): void => {
    const option = choice.options[at];
    if (option) put({ options: choice.options.with(at, { ...option, ...changes }) }, typed);
  };
  const { settings } = useHouse();
  const values = choosingValues(choice.by, settings);
  return (
    <fieldset className="flex flex-col gap-3 border-l-2 border-palm pl-4">
      <legend className="sr-only">{choice.name}</legend>
      <div className="grid grid-cols-[1fr_12rem_14rem_2rem] items-end gap-3">
        <TextField
          label="Name of the choice"
          needed
          value={choice.name}
          onCommit={(name) => put({ name }, 'name')}
        />
        <Choice
          label="Looks at"
          value={choice.by}
          options={CHOOSING_BY.map((by) => ({ value: by, label: CHOOSING_WORDS[by] }))}
          onChoose={(by: ChoosingBy) =>
            put({
              by,
              options: choice.options.map((option) => ({ ...option, for: [], where: undefined })),
            })
          }
        />
        <Segments
          label="Takes"
          value={choice.take}
          options={[
            { value: 'first', label: 'one' },
            { value: 'each', label: 'each that fits' },
          ]}
          onChoose={(take) => put({ take })}
        />
        <IconButton
          label={`Remove the choice ${choice.name}`}
          onClick={() => edit((before) => removeChoice(before, choice.id))}
        >
          <X aria-hidden size={16} />
        </IconButton>
      </div>
      {choice.options.map((option, at) => (
        <div key={option.id} className="grid grid-cols-[12rem_1fr_2rem] items-end gap-3">
          <TextField
            label={`Option ${at + 1}`}
            needed
            value={option.name}
            onCommit={(name) => putOption(at, { name }, `${option.id}.name`)}
          />
          {values.length > 0 ? (
            <div className="flex flex-col gap-1">
              <Toggles
                label={`For whom ${option.name} is`}
                values={option.for}
                options={values.map((value) => ({ value, label: spoken(value) }))}
                onChange={(whom) =>
                  putOption(at, { for: whom, ...(whom.length === 0 && { where: undefined }) })
                }
              />
              {choice.by === 'condition' && option.for.length > 0 && (
                <div className="flex items-baseline gap-2 text-sm">
                  <span>only where it is seen on</span>
                  <ZoneButton
                    zones={option.where ?? []}
                    onChange={(where) =>
                      putOption(at, { where: where.length === 0 ? undefined : where })
                    }
                  />
                </div>
              )}
            </div>
          ) : (
            <p className="pb-2 text-sm text-ink-soft">
              {at === 0 ? 'taken unless something else is decided' : 'may be decided at the couch'}
            </p>
          )}
          <IconButton
            label={`Remove the option ${option.name}`}
            disabled={choice.options.length === 1}
            onClick={() => edit((before) => removeOption(before, choice.id, option.id))}
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      <div className="flex items-center gap-4">
        <Button
          weight="quiet"
          onClick={() => put({ options: [...choice.options, newOption('Another option')] })}
        >
          <Plus aria-hidden size={16} /> Another option
        </Button>
        {choice.by !== 'couch' && (
          <label className="flex items-center gap-2 text-sm">
            <input
              type="checkbox"
              className="size-4 accent-palm"
              checked={choice.noneIsFine === true}
              onChange={(event) => put({ noneIsFine: event.target.checked ? true : undefined })}
            />
            If no option fits a guest, the step is left out. This is intended.
          </label>
        )}
      </div>
    </fieldset>
  );
}
