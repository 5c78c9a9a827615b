import type { Scenario } from '@bienestar/core/house/house';

const FORMAT = 'bienestar-scenario';
const VERSION = 1;

/** A scenario as the text of a file that another house, or this one later, can open. */
export function writeScenarioFile(scenario: Scenario): string {
  return `${JSON.stringify({ format: FORMAT, formatVersion: VERSION, ...scenario }, null, 1)}\n`;
}

/**
 * A scenario from the text of a file, still to be checked by the house.
 * @returns what is wrong with the file, in words, when it is none
 */
export function readScenarioFile(
  text: string,
):
  | { readonly ok: true; readonly value: Scenario }
  | { readonly ok: false; readonly message: string } {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return { ok: false, message: 'This is not a scenario file: it is not valid JSON.' };
  }
  const { format, formatVersion, ...scenario } = {
    ...(typeof parsed === 'object' ? parsed : {}),
  } as Record<string, unknown>;
  if (format !== FORMAT) {
    return {
      ok: false,
      message: `This is not a scenario file: its “format” must be “${FORMAT}”.`,
    };
  }
  if (formatVersion !== VERSION) {
    return {
      ok: false,
      message: `This scenario file has version ${formatVersion === undefined ? 'none' : JSON.stringify(formatVersion)}; version ${VERSION} is read here.`,
    };
  }
  return { ok: true, value: scenario as unknown as Scenario };
}
