import Papa from 'papaparse';
import { LIKE_A_FORMULA } from '@bienestar/contract/csv';
import type { PrintedMenu } from './guestPage';

/** A printed menu as a list for other programs: a line for each line, with the section it stands in. */
export function guestCsv(page: PrintedMenu): string {
  const rows = page.sections.flatMap(({ title, lines }) =>
    lines.map(({ name, minutes = '', price = '', text = '', cautions }) => ({
      menu: page.title,
      section: title,
      name,
      minutes,
      price,
      text,
      cautions: cautions.join(' '),
    })),
  );
  const columns = ['menu', 'section', 'name', 'minutes', 'price', 'text', 'cautions'];
  return Papa.unparse({ fields: columns, data: rows }, { escapeFormulae: LIKE_A_FORMULA });
}
