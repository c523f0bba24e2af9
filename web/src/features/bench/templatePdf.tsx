import {
  Document,
  Ellipse,
  Page,
  Path,
  pdf,
  Svg,
  Text,
} from "@react-pdf/renderer";
import type { Schemas } from "../../api/client";
import { families } from "../papers/pdfFaces";
import { printed } from "./template";

/** Points of a millimetre. */
const mm = 72 / 25.4;

/** Least margin that printers leave white, mm. */
const margin = 12;

/** A template as PDF, as large as it is on the sheet that is asked for. */
export async function templatePdf(
  t: Schemas["Template"],
  size: "A4" | "LETTER",
): Promise<Blob> {
  const p = printed(t);
  return pdf(
    <Document title={t.title} creator="Nokko">
      <Page size={size} style={{ padding: margin * mm }}>
        <Svg
          width={p.width * mm}
          height={p.height * mm}
          viewBox={`0 0 ${p.width.toString()} ${p.height.toString()}`}
        >
          {p.lines.map((l, i) => (
            <Path
              key={`l${i.toString()}`}
              d={l.d}
              stroke="black"
              strokeWidth={l.width}
              fill="none"
            />
          ))}
          {p.circles.map((c, i) => (
            <Ellipse
              key={`c${i.toString()}`}
              cx={c.x}
              cy={c.y}
              rx={c.rx}
              ry={c.ry}
              stroke="black"
              strokeWidth={c.width}
              fill="none"
            />
          ))}
          {p.texts.map((x, i) => (
            <Text
              key={`t${i.toString()}`}
              x={x.x}
              y={x.y}
              style={{
                fontSize: x.size,
                fontFamily: families as unknown as string,
              }}
            >
              {x.says}
            </Text>
          ))}
        </Svg>
      </Page>
    </Document>,
  ).toBlob();
}
