import type { Schemas } from "../../api/client";
import { Paper } from "../../shared/Paper";

type Section = Schemas["PaperSection"];

/** A paper as it is shown and printed: ink on white, on A4 and Letter alike, its annexes on pages of their own. */
export function PaperSheet({
  paper,
  picture,
}: {
  paper: Schemas["Paper"];
  /** Where a photograph is found; null is not there yet. */
  picture: (sha256: string) => string | null;
}) {
  const annex = paper.sections.filter((s) => s.annex);
  return (
    <Paper
      title={paper.title}
      sx={{
        "& h3": {
          fontSize: "0.95rem",
          mt: 1.25,
          mb: 0.25,
          borderBottom: "1px solid",
        },
        "& th, & td": { py: "1px", verticalAlign: "top" },
        "& thead th": { borderBottom: "1px solid" },
        "& ul": { my: 0.25, pl: 2 },
        "& .annex": { breakBefore: "page" },
        "@media print": {
          fontSize: "8pt",
          "& section": { breakInside: "avoid" },
        },
      }}
    >
      <h2>{paper.heading}</h2>
      {paper.facts.map((f, i) => (
        <div key={f}>{i > 0 ? <b>{f}</b> : f}</div>
      ))}
      {paper.sections
        .filter((s) => !s.annex)
        .map((s) => (
          <PaperPart key={s.title} section={s} picture={picture} />
        ))}
      {paper.foot && <p style={{ margin: "8px 0 0" }}>{paper.foot}</p>}
      {annex.length > 0 && (
        <div className="annex">
          {annex.map((s) => (
            <PaperPart key={s.title} section={s} picture={picture} />
          ))}
        </div>
      )}
    </Paper>
  );
}

function PaperPart({
  section: s,
  picture,
}: {
  section: Section;
  picture: (sha256: string) => string | null;
}) {
  return (
    <section>
      <h3>{s.title}</h3>
      {s.table && s.table.rows.length > 0 && (
        <table aria-label={s.title}>
          <thead>
            <tr>
              {s.table.columns.map((c) => (
                <th scope="col" key={c}>
                  {c}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {s.table.rows.map((row, r) => (
              <tr key={r}>
                {row.map((cell, i) =>
                  i === 0 ? (
                    <th scope="row" key={i}>
                      {cell}
                    </th>
                  ) : (
                    <td
                      key={i}
                      style={
                        cell === "" ? { borderBottom: "1px solid" } : undefined
                      }
                    >
                      {cell}
                    </td>
                  ),
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {s.lines.length === 1 && <div>{s.lines[0]}</div>}
      {s.lines.length > 1 && (
        <ul style={{ columns: s.lines.length > 12 ? 2 : 1 }}>
          {s.lines.map((x, i) => (
            <li key={i}>{x}</li>
          ))}
        </ul>
      )}
      {s.pictures.map((p) => {
        const src = picture(p.sha256);
        return (
          <figure
            key={p.sha256}
            style={{ margin: "4px 8px 4px 0", display: "inline-block" }}
          >
            {src && <img src={src} alt={p.caption} style={{ height: 150 }} />}
            <figcaption>{p.caption}</figcaption>
          </figure>
        );
      })}
      {s.signatures.map((x) => (
        <figure
          key={`${x.name} ${x.day}`}
          style={{ margin: "6px 16px 0 0", display: "inline-block" }}
        >
          <svg
            viewBox="0 0 1000 300"
            role="img"
            aria-label={`Signature of ${x.name}`}
            style={{ width: 200, height: 60, borderBottom: "1px solid" }}
          >
            {x.strokes.map((stroke, i) => (
              <polyline
                key={i}
                points={stroke.join(" ")}
                fill="none"
                stroke="#1c1e21"
                strokeWidth={8}
                strokeLinecap="round"
                strokeLinejoin="round"
              />
            ))}
          </svg>
          <figcaption>
            {x.name}, {x.day}
          </figcaption>
        </figure>
      ))}
    </section>
  );
}
