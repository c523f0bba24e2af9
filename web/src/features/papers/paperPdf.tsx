import {
  Document,
  Font,
  Image,
  Page,
  Path,
  pdf,
  StyleSheet,
  Svg,
  Text,
  View,
} from "@react-pdf/renderer";
import type { Schemas } from "../../api/client";
import { qrPath } from "../../shared/qrPath";
import { families } from "./pdfFaces";
import { writable } from "./writable";

const ink = "#1c1e21";
const styles = StyleSheet.create({
  page: {
    padding: 34,
    paddingBottom: 48,
    fontFamily: families as unknown as string,
    fontSize: 7.5,
    lineHeight: 1.25,
    color: ink,
  },
  heading: {
    fontSize: 14,
    lineHeight: 1.2,
    fontWeight: 700,
    marginBottom: 3,
  },
  title: {
    fontSize: 9,
    fontWeight: 700,
    marginTop: 5,
    borderBottom: `0.6pt solid ${ink}`,
  },
  bold: { fontWeight: 700 },
  row: { flexDirection: "row" },
  cell: { flex: 1, paddingRight: 6, paddingTop: 1 },
  first: { flex: 1.6 },
  last: { flex: 1.5 },
  blank: { borderBottom: `0.4pt solid ${ink}`, marginRight: 6 },
  line: { flexDirection: "row" },
  foot: {
    position: "absolute",
    left: 34,
    right: 34,
    fontSize: 7,
    flexDirection: "row",
    justifyContent: "space-between",
  },
  pictures: { flexDirection: "row", flexWrap: "wrap", gap: 8, marginTop: 4 },
});

export type Size = "A4" | "LETTER";

/** Letters of a text that none of the shipped faces has: an empty box would stand for them. */
async function lettersMissing(text: string): Promise<string[]> {
  const faces = await Promise.all(
    families.map(async (fontFamily) => {
      await Font.load({ fontFamily });
      return Font.getFont({ fontFamily }).data as {
        hasGlyphForCodePoint: (codePoint: number) => boolean;
      } | null;
    }),
  );
  return [...new Set(text)].filter(
    (letter) =>
      letter.trim() !== "" &&
      !faces.some((f) => f?.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0)),
  );
}

/** A paper as PDF: its text is text, its drawings are drawn.
 * @throws where a letter of it cannot be written */
export async function paperPdf(
  given: Schemas["Paper"],
  size: Size,
  address: string | null,
  pictures: ReadonlyMap<string, string>,
): Promise<Blob> {
  const text = writable(JSON.stringify(given));
  const missing = await lettersMissing(text);
  if (missing.length > 0) {
    throw new Error(
      `The PDF has no letter for ${missing.slice(0, 8).join(" ")}${missing.length > 8 ? " and others" : ""}. Print it instead, and choose “Save as PDF” there: the browser has them.`,
    );
  }
  const paper = JSON.parse(text) as Schemas["Paper"];
  return pdf(
    <Document title={`${paper.title}: ${paper.heading}`} creator="Nokko">
      <Page size={size} style={styles.page}>
        <View style={styles.row}>
          <View style={{ flex: 1 }}>
            <Text style={styles.heading}>{paper.heading}</Text>
            {paper.facts.map((f, i) => (
              <Text key={f} style={i > 0 ? styles.bold : undefined}>
                {f}
              </Text>
            ))}
          </View>
          {address && <Code of={address} />}
        </View>
        {paper.sections
          .filter((s) => !s.annex)
          .map((s) => (
            <Part key={s.title} section={s} pictures={pictures} />
          ))}
        <Foot paper={paper} size={size} />
      </Page>
      {paper.sections.some((s) => s.annex) && (
        <Page size={size} style={styles.page}>
          <Text style={styles.bold}>{paper.heading}: annex</Text>
          {paper.sections
            .filter((s) => s.annex)
            .map((s) => (
              <Part key={s.title} section={s} pictures={pictures} />
            ))}
          <Foot paper={paper} size={size} />
        </Page>
      )}
    </Document>,
  ).toBlob();
}

/** Height of a page, points. */
const heights: Record<Size, number> = { A4: 842, LETTER: 792 };

const Foot = ({ paper, size }: { paper: Schemas["Paper"]; size: Size }) => (
  <View style={[styles.foot, { top: heights[size] - 36 }]} fixed>
    <Text style={{ flex: 1 }}>{paper.foot ?? ""}</Text>
    <Text
      render={({ pageNumber, totalPages }) =>
        // How many there are is known only once all are laid out.
        `${paper.title}, page ${String(pageNumber)} of ${String(totalPages)}`
      }
    />
  </View>
);

function Part({
  section: s,
  pictures,
}: {
  section: Schemas["PaperSection"];
  pictures: ReadonlyMap<string, string>;
}) {
  return (
    <View>
      <Text style={styles.title} minPresenceAhead={24}>
        {s.title}
      </Text>
      {s.table && s.table.rows.length > 0 && (
        <View>
          <Row cells={s.table.columns} head />
          {s.table.rows.map((row, i) => (
            <Row key={i} cells={row} />
          ))}
        </View>
      )}
      {s.lines.map((x, i) => (
        <View key={i} style={styles.line} wrap={false}>
          {s.lines.length > 1 && <Text style={{ width: 8 }}>•</Text>}
          <Text style={{ flex: 1 }}>{x}</Text>
        </View>
      ))}
      <View style={styles.pictures}>
        {s.pictures.map((p) => {
          const src = pictures.get(p.sha256);
          return (
            <View key={p.sha256} wrap={false} style={{ width: 168 }}>
              {src && (
                <Image
                  src={src}
                  style={{ width: 168, height: 126, objectFit: "contain" }}
                />
              )}
              <Text>{p.caption}</Text>
            </View>
          );
        })}
        {s.signatures.map((x) => (
          <View key={`${x.name} ${x.day}`} wrap={false} style={{ width: 150 }}>
            <Svg viewBox="0 0 1000 300" style={{ width: 150, height: 45 }}>
              {x.strokes.map((stroke, i) => (
                <Path
                  key={i}
                  d={pathOf(stroke)}
                  stroke={ink}
                  strokeWidth={8}
                  fill="none"
                />
              ))}
            </Svg>
            <Text style={{ borderTop: `0.6pt solid ${ink}` }}>
              {x.name}, {x.day}
            </Text>
          </View>
        ))}
      </View>
    </View>
  );
}

const Row = ({ cells, head }: { cells: readonly string[]; head?: boolean }) => (
  <View style={styles.row} wrap={false}>
    {cells.map((cell, i) => (
      <Text
        key={i}
        style={[
          styles.cell,
          ...(i === 0 ? [styles.first] : []),
          ...(i === cells.length - 1 && i > 2 ? [styles.last] : []),
          ...(head ? [styles.bold] : []),
          ...(cell === "" && !head ? [styles.blank] : []),
        ]}
      >
        {cell === "" ? " " : cell}
      </Text>
    ))}
  </View>
);

/** A stroke as a path: x, y, x, y … */
export const pathOf = (stroke: readonly number[]): string =>
  stroke
    .flatMap((x, i) =>
      i % 2 === 0
        ? [`${i === 0 ? "M" : "L"}${String(x)} ${String(stroke[i + 1])}`]
        : [],
    )
    .join("");

function Code({ of }: { of: string }) {
  const { dark, size } = qrPath(of, 1);
  return (
    <Svg
      viewBox={`0 0 ${String(size)} ${String(size)}`}
      style={{ width: 56, height: 56 }}
    >
      <Path d={dark} fill="#000" />
    </Svg>
  );
}
