import { Document, Page, Text, View } from '@react-pdf/renderer';
import type { PrintedLine, PrintedMenu } from '../../places/menu/guests/guestPage';
import { styles } from './setting';

/** The menu for guests; folded, a page of it is half a sheet. */
export function MenuOnPaper({
  page,
  folded,
}: {
  readonly page: PrintedMenu;
  readonly folded: boolean;
}) {
  const fontSize = folded ? 8.5 : 10.5;
  const padding = folded ? 30 : 56;
  return (
    <Document title={`${page.house}, ${page.title}`}>
      <Page size={folded ? 'A5' : 'A4'} style={[styles.page, { fontSize, padding }]}>
        <Text
          style={[styles.title, styles.clay, { textAlign: 'center', fontSize: fontSize * 1.2 }]}
        >
          {page.house}
        </Text>
        <Text style={[styles.title, { textAlign: 'center', fontSize: fontSize * 2.6 }]}>
          {page.title}
        </Text>
        {page.intro !== undefined && (
          <Text style={[styles.soft, { textAlign: 'center', marginTop: 6 }]}>{page.intro}</Text>
        )}
        {page.sections.map(({ key, title, text, lines }) => (
          <View key={key} style={{ marginTop: fontSize * 1.4 }}>
            <View wrap={false} minPresenceAhead={fontSize * 5} style={styles.section}>
              <Text style={[styles.title, styles.clay, { fontSize: fontSize * 1.5 }]}>{title}</Text>
            </View>
            {text !== undefined && <Text style={[styles.soft, { marginTop: 2 }]}>{text}</Text>}
            {lines.map((line) => (
              <MenuLine key={line.key} line={line} fontSize={fontSize} />
            ))}
          </View>
        ))}
        {page.foot !== undefined && (
          <Text style={[styles.soft, { marginTop: fontSize * 2, textAlign: 'center' }]}>
            {page.foot}
          </Text>
        )}
      </Page>
    </Document>
  );
}

function MenuLine({ line, fontSize }: { readonly line: PrintedLine; readonly fontSize: number }) {
  return (
    <View wrap={false} style={{ marginTop: fontSize * 0.7 }}>
      <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: 4 }}>
        {/* In one run, so that both stand on the same line. */}
        <Text style={[styles.title, { fontSize: fontSize * 1.25 }]}>
          {line.name}
          {line.minutes !== undefined && (
            <Text style={[styles.soft, styles.plain, { fontSize }]}>{`  ${line.minutes}`}</Text>
          )}
        </Text>
        <View style={styles.dots} />
        <Text style={[styles.title, { fontSize: fontSize * 1.25 }]}>
          {line.price ?? 'on request'}
        </Text>
      </View>
      {line.text !== undefined && <Text style={{ width: '85%' }}>{line.text}</Text>}
      {line.cautions.map((caution) => (
        <Text key={caution} style={[styles.soft, { fontSize: fontSize * 0.85 }]}>
          {caution}
        </Text>
      ))}
    </View>
  );
}
