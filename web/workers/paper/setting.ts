import { Font, StyleSheet } from '@react-pdf/renderer';
import serif from '@fontsource/alegreya/files/alegreya-latin-500-normal.woff?url';
import sans from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff?url';
import sansBold from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-600-normal.woff?url';
import type { Paper } from '../../places/card/onPaper';

/* How everything on paper looks: our fonts, inks and sizes. */

const address = (path: string): string => new URL(path, self.location.origin).href;
Font.register({ family: 'Alegreya', src: address(serif) });
Font.register({
  family: 'Hanken Grotesk',
  fonts: [
    { src: address(sans), fontWeight: 400 },
    { src: address(sansBold), fontWeight: 600 },
  ],
});
Font.registerHyphenationCallback((word) => [word]);

export const INK = '#2b2520';
const SOFT = '#665a4d';
const CLAY = '#9a4527';
const LINE = '#d8ccb8';

export const styles = StyleSheet.create({
  page: { fontFamily: 'Hanken Grotesk', color: INK, lineHeight: 1.35 },
  title: { fontFamily: 'Alegreya', lineHeight: 1.1, marginBottom: 4 },
  soft: { color: SOFT },
  plain: { fontFamily: 'Hanken Grotesk' },
  bold: { fontWeight: 600 },
  clay: { color: CLAY },
  stretch: { fontFamily: 'Alegreya', color: SOFT, marginTop: 8, marginBottom: 2 },
  row: {
    flexDirection: 'row',
    borderBottomWidth: 0.5,
    borderBottomColor: LINE,
    paddingVertical: 3,
    gap: 6,
  },
  grow: { flex: 1 },
  section: { borderBottomWidth: 0.75, borderBottomColor: CLAY, paddingBottom: 1 },
  dots: {
    flex: 1,
    borderBottomWidth: 0.75,
    borderBottomColor: LINE,
    borderStyle: 'dotted',
    marginBottom: 2,
  },
});

/** How much smaller a page may be set, so that a few lines need no page of their own. */
export const TIGHTER = 0.92;

export interface Sized {
  readonly paper: Paper;
  /** 1, or `TIGHTER` */
  readonly scale: number;
}

export function sizeOf(
  paper: Paper,
  scale: number,
): { readonly fontSize: number; readonly padding: number } {
  const { fontSize, padding } =
    paper === 'A4' ? { fontSize: 9.5, padding: 36 } : { fontSize: 7.5, padding: 22 };
  return { fontSize: fontSize * scale, padding: padding * scale };
}
