import { PDFDocument } from 'pdf-lib';
import { bookletOrder } from './bookletOrder';

/* A4, lying, in points. */
const WIDTH = 841.89;
const HEIGHT = 595.28;

/** A PDF of A5 pages as sheets of A4, to be printed on both sides and folded in the middle. */
export async function booklet(pages: Blob): Promise<Blob> {
  const from = await PDFDocument.load(await pages.arrayBuffer());
  const to = await PDFDocument.create();
  to.setTitle(from.getTitle() ?? '');
  const embedded = await to.embedPages(from.getPages());
  for (const side of bookletOrder(embedded.length)) {
    const sheet = to.addPage([WIDTH, HEIGHT]);
    side.forEach((page, at) => {
      const of = page === undefined ? undefined : embedded[page];
      if (of) sheet.drawPage(of, { x: (WIDTH / 2) * at, y: 0, width: WIDTH / 2, height: HEIGHT });
    });
  }
  return new Blob([new Uint8Array(await to.save())], { type: 'application/pdf' });
}
