import { pdf } from '@react-pdf/renderer';
import { expose } from 'comlink';
import { PDFDocument } from 'pdf-lib';
import type { OnPaper } from '../places/card/onPaper';
import { booklet } from './booklet';
import { CardOnPaper } from './paper/CardOnPaper';
import { MenuOnPaper } from './paper/MenuOnPaper';
import { OrderOnPaper } from './paper/OrderOnPaper';
import { TIGHTER } from './paper/setting';
import { TrayOnPaper } from './paper/TrayOnPaper';

function documentOf(what: OnPaper, scale: number) {
  switch (what.kind) {
    case 'order':
      return <OrderOnPaper {...what} />;
    case 'card':
      return <CardOnPaper {...what} scale={scale} />;
    case 'tray':
      return <TrayOnPaper {...what} scale={scale} />;
    case 'menu':
      return <MenuOnPaper {...what} />;
  }
}

/** A last page with less of what the first holds than this is one for a few lines. */
const FEW = 0.3;

/** A card or a tray, a little smaller where that saves a page that would hold a few lines only. */
async function setTight(what: OnPaper): Promise<Blob> {
  const set = await pdf(documentOf(what, 1)).toBlob();
  if (what.kind !== 'card' && what.kind !== 'tray') return set;
  const pages = await pagesOf(set);
  const [first = 0] = pages;
  const last = pages.at(-1) ?? 0;
  if (pages.length === 1 || last > FEW * first) return set;
  const tighter = await pdf(documentOf(what, TIGHTER)).toBlob();
  return (await pagesOf(tighter)).length < pages.length ? tighter : set;
}

/** How much each page holds, in bytes of what draws it. */
async function pagesOf(set: Blob): Promise<readonly number[]> {
  const read = await PDFDocument.load(await set.arrayBuffer());
  return read.getPages().map(({ node }) => node.Contents()?.sizeInBytes() ?? 0);
}

/** Sets cards, trays, menus and orders as PDF, away from the page. */
const paper = {
  pdf: async (what: OnPaper): Promise<Blob> => {
    const set = await setTight(what);
    return what.kind === 'menu' && what.folded ? booklet(set) : set;
  },
};

export type PaperWorker = typeof paper;
expose(paper);
