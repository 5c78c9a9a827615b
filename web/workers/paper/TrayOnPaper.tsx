import { Document, Page, Text, View } from '@react-pdf/renderer';
import type { TrayLine } from '../../places/card/trayWords';
import { sizeOf, styles, type Sized } from './setting';

/** What must stand ready. */
export function TrayOnPaper({
  title,
  subtitle,
  lines,
  paper,
  scale,
}: Sized & {
  readonly title: string;
  readonly subtitle: string;
  readonly lines: readonly TrayLine[];
}) {
  const { fontSize, padding } = sizeOf(paper, scale);
  return (
    <Document title={title}>
      <Page size={paper} style={[styles.page, { fontSize, padding }]}>
        <Text style={[styles.title, { fontSize: fontSize * 2.1 }]}>{title}</Text>
        <Text style={styles.soft}>{subtitle}</Text>
        {lines.map((line) => (
          <View key={line.key} style={styles.row} wrap={false}>
            <Text style={[styles.soft, { width: 44 }]}>{line.at}</Text>
            <Text style={[styles.bold, { width: 72, textAlign: 'right' }]}>{line.amount}</Text>
            <View style={styles.grow}>
              <Text>{line.name}</Text>
              {line.note !== '' && <Text style={styles.soft}>{line.note}</Text>}
            </View>
          </View>
        ))}
      </Page>
    </Document>
  );
}
