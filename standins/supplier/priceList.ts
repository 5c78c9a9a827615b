import Papa from 'papaparse';

/** How the numbers of a list are written. */
interface Style {
  readonly delimiter: ',' | ';';
  readonly decimal: '.' | ',';
}

const PRICE_HEADINGS = ['price', 'precio'];
const SHARE_THAT_CHANGES = 0.22;

/**
 * A supplier's price list in a later edition: from one edition to the next some articles get dearer or
 * cheaper, one is no longer there, one is new. The same edition is always the same.
 * @param base the list of edition 0, CSV with its headings
 * @param edition 0 and more
 */
export function editionOf(base: string, edition: number): string {
  const delimiter = base.split('\n', 1)[0]?.includes(';') ? ';' : ',';
  const style: Style = { delimiter, decimal: delimiter === ';' ? ',' : '.' };
  const { data } = Papa.parse<string[]>(base.trim(), { delimiter });
  const [headings = [], ...articles] = data;
  const price = headings.findIndex((heading) => PRICE_HEADINGS.includes(heading.toLowerCase()));
  let rows = articles;
  for (let at = 1; at <= edition; at += 1) rows = nextEdition(rows, price, at, style);
  return `${Papa.unparse([headings, ...rows], { delimiter, newline: '\n' })}\n`;
}

function nextEdition(rows: string[][], price: number, edition: number, style: Style): string[][] {
  const chance = numbers(edition * 7935 + rows.length);
  const changed = rows.map((row) => {
    const rate = chance() < SHARE_THAT_CHANGES ? 0.94 + Math.round(chance() * 16) / 100 : 1;
    return row.with(
      price,
      written(Math.round(read(row[price] ?? '', style) * rate * 10) / 10, style),
    );
  });
  const gone = Math.floor(chance() * changed.length);
  const template = changed[Math.floor(chance() * changed.length)] ?? [];
  const code = (template[0] ?? '').replace(/\d+$/, (digits) =>
    String(Number(digits) + 800 + edition),
  );
  const fresh = template
    .with(0, code)
    .with(1, `${template[1] ?? ''}, new filling`)
    .with(price, written(read(template[price] ?? '', style) * 1.1, style));
  return [...changed.filter((_, at) => at !== gone), fresh];
}

function read(text: string, { decimal }: Style): number {
  return Number(text.replace(decimal, '.'));
}

function written(value: number, { decimal }: Style): string {
  return value.toFixed(2).replace('.', decimal);
}

/** Numbers from 0 to 1 that come out the same for the same seed. */
function numbers(seed: number): () => number {
  let state = seed % 2 ** 32;
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32;
    return state / 2 ** 32;
  };
}
