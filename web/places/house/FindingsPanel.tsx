import type { OwnFinding } from '@bienestar/core/house/traits';
import { spoken } from '../../format/protocolWords';
import { Fold } from '../../parts/Fold';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useFindings } from '../../store/useFindings';
import { useChangeSettings } from '../../store/useEditPart';
import { Line } from './Section';

/** What is looked for under the lamp in this house besides the usual. */
export function FindingsPanel() {
  const { findings = [] } = useSnapshot().settings;
  const all = useFindings();
  const change = useChangeSettings();
  const put = (next: readonly OwnFinding[]): Promise<string | undefined> =>
    change({ findings: next.length === 0 ? undefined : next });
  const add = async (words: string): Promise<string | undefined> => {
    const said = words
      .trim()
      .toLocaleLowerCase()
      .replaceAll(/[\s-]+/gu, '-');
    if (said === '') return undefined;
    if (!/^[\p{L}\p{N}-]+$/u.test(said))
      return 'Say it in words: letters, numbers and spaces between them.';
    const own: OwnFinding = `own-${said}`;
    if (all.some((each) => spoken(each) === spoken(own))) return 'It is looked for already.';
    return put([...findings, own]);
  };
  return (
    <Fold
      title="Looked for under the lamp"
      summary={findings.map(spoken).join(', ') || 'the usual findings'}
    >
      {findings.map((finding) => (
        <Line
          key={finding}
          name={spoken(finding)}
          onRemove={() => void put(findings.filter((each) => each !== finding))}
        >
          {spoken(finding)}
        </Line>
      ))}
      <TextField
        key={findings.length}
        commitOn="leaving"
        label="Another finding"
        hint="Enter adds it, such as loss of glow"
        value=""
        onCommit={add}
      />
    </Fold>
  );
}
