import type { Choice as ChoiceOf, Conditional, InOption } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { hangingOn, optionsOf } from '@bienestar/core/house/protocol';
import { optionWords } from '../../../format/protocolWords';
import { Choice } from '../../../parts/Choice';

/** On what something hangs; what is not given is taken off. */
interface Hanging {
  readonly option: InOption | undefined;
  readonly also: readonly InOption[] | undefined;
}

interface HangingFieldsProps {
  readonly label: string;
  readonly choices: readonly ChoiceOf[];
  readonly of: Conditional;
  /** what stands where nothing is chosen */
  readonly everybody: string;
  readonly onChange: (on: Hanging) => void;
}

const NOBODY = 'everybody';

/** For whom something is: everybody, or an option of a choice; joined with options of others. */
export function HangingFields({ label, choices, of, everybody, onChange }: HangingFieldsProps) {
  const own = optionsOf(of);
  const put = (at: number, option: InOption | undefined): void => {
    const { option: first, also } = hangingOn(own.toSpliced(at, 1, ...(option ? [option] : [])));
    onChange({ option: first, also });
  };
  const isTaken = (choiceId: string, but: number): boolean =>
    own.some((each, at) => at !== but && each.choiceId === choiceId);
  const left = choices.filter(({ id }) => !isTaken(id, -1));
  const asked = own.length > 0 && left.length === 0 ? own : [...own, undefined];
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-1.5">
      {asked.map((option, at) => (
        <Choice
          key={option?.choiceId ?? 'another'}
          label={at === 0 ? label : `${label}, and also`}
          labelHidden={at > 0}
          value={option ? keyOf(option) : NOBODY}
          options={[
            { value: NOBODY, label: at === 0 ? everybody : 'and no other condition' },
            ...choices
              .filter(({ id }) => !isTaken(id, at))
              .flatMap((each) =>
                each.options.map(({ id }) => ({
                  value: keyOf({ choiceId: each.id, optionId: id }),
                  label: `${at === 0 ? '' : 'and '}${optionWords(each, id)}`,
                })),
              ),
          ]}
          onChoose={(value) => put(at, value === NOBODY ? undefined : optionOf(value))}
        />
      ))}
    </div>
  );
}

function keyOf({ choiceId, optionId }: InOption): string {
  return `${choiceId}/${optionId}`;
}

function optionOf(key: string): InOption {
  const [choiceId = '', optionId = ''] = key.split('/');
  return { choiceId: asId(choiceId), optionId: asId(optionId) };
}
