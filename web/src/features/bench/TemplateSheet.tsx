import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../api/client";
import { saveFile } from "../../shared/saveFile";
import { ChoosePaper } from "../papers/ChoosePaper";
import { printed, templateSvg } from "./template";

/** A template as it will print, smaller; and its files, which print it at full size. */
export function TemplateSheet({
  template: t,
  name,
}: {
  template: Schemas["Template"];
  /** What its files are called. */
  name: string;
}) {
  const p = printed(t);
  return (
    <>
      <Box
        role="note"
        sx={{
          my: 1.5,
          p: 1.5,
          border: 2,
          borderColor: t.print.proved ? "success.main" : "warning.main",
          fontWeight: t.print.proved ? 400 : 700,
        }}
      >
        {t.print.says}
      </Box>
      <ChoosePaper
        save={async (size) => {
          const { templatePdf } = await import("./templatePdf").catch(() => {
            throw new Error(
              "What writes the PDF is not on this device yet: it needs the network once. Save the SVG instead.",
            );
          });
          saveFile(await templatePdf(t, size), `${name}.pdf`);
        }}
      >
        <Button
          variant="outlined"
          onClick={() => {
            saveFile(
              new Blob([templateSvg(t)], { type: "image/svg+xml" }),
              `${name}.svg`,
            );
          }}
        >
          Save as SVG
        </Button>
      </ChoosePaper>
      <Box
        component="svg"
        role="img"
        aria-label={`${t.title} as it will print`}
        viewBox={`-6 -6 ${(p.width + 12).toString()} ${(p.height + 12).toString()}`}
        sx={{
          width: "100%",
          maxWidth: 520,
          mt: 1.5,
          bgcolor: "#fff",
          border: 1,
          borderColor: "divider",
          fontFamily: "inherit",
        }}
      >
        {p.lines.map((l, i) => (
          <path
            key={i}
            d={l.d}
            fill="none"
            stroke="#000"
            strokeWidth={Math.max(0.3, l.width * 1.6)}
          />
        ))}
        {p.circles.map((c, i) => (
          <ellipse
            key={i}
            cx={c.x}
            cy={c.y}
            rx={c.rx}
            ry={c.ry}
            fill="none"
            stroke="#000"
            strokeWidth={c.width * 1.6}
          />
        ))}
        {p.texts.map((x) => (
          <text
            key={`${x.says} ${x.x.toString()} ${x.y.toString()}`}
            x={x.x}
            y={x.y}
            fontSize={x.size}
            fill="#000"
          >
            {x.says}
          </text>
        ))}
      </Box>
    </>
  );
}
