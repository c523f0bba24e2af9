import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import type { Contact, Way } from "./geometry";

const rows: [Schemas["ContactWith"], string][] = [
  ["above", "Above it"],
  ["ahead", "Ahead of it"],
  ["behind", "Behind it"],
  ["frame", "Frame, exhaust"],
  ["arm", "Arm, spring, brake line"],
];

const columns = [
  { at: "ride", turned: false, says: "Straight" },
  { at: "ride", turned: true, says: "Turning to both locks" },
  { at: "bump", turned: false, says: "Full bump, straight" },
  { at: "bump", turned: true, says: "Full bump, turning" },
] as const;

/** What is left round the tyre, to everything that it may touch, with what it was. */
export function ContactMatrix({
  before,
  chosen,
}: {
  before: Way | undefined;
  chosen: Way;
}) {
  const unit = useUnit();
  const of = (
    way: Way | undefined,
    kind: Schemas["ContactWith"],
    column: (typeof columns)[number],
  ) =>
    way?.contacts.find(
      (c) =>
        c.with === kind && c.at === column.at && c.turned === column.turned,
    );
  const shown = columns.filter((c) =>
    rows.some(([kind]) => of(chosen, kind, c)),
  );
  return (
    <Box
      component="table"
      sx={{
        width: "100%",
        maxWidth: 760,
        borderCollapse: "collapse",
        my: 1,
        "& th, & td": {
          border: 1,
          borderColor: "divider",
          p: 0.75,
          textAlign: "left",
          verticalAlign: "top",
          fontSize: { xs: "0.86rem", sm: "0.95rem" },
        },
        "& thead th": { fontWeight: 600, color: "text.secondary" },
      }}
    >
      <caption style={{ textAlign: "left", fontWeight: 700 }}>
        What is left round the tyre
      </caption>
      <thead>
        <tr>
          <th scope="col">To what is</th>
          {shown.map((c) => (
            <th key={c.says} scope="col">
              {c.says}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows
          .filter(([kind]) => chosen.contacts.some((c) => c.with === kind))
          .map(([kind, says]) => (
            <tr key={kind}>
              <th scope="row">{says}</th>
              {shown.map((c) => {
                const now = of(chosen, kind, c);
                const was = chosen === before ? undefined : of(before, kind, c);
                return (
                  <td key={c.says}>
                    {now && <Gap contact={now} />}
                    {was?.gap.value != null && now?.gap.value != null && (
                      <Box
                        sx={{ color: "text.secondary", fontSize: "0.85rem" }}
                      >
                        was {showText(was.gap.value, unit)}
                      </Box>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
      </tbody>
    </Box>
  );
}

function Gap({ contact }: { contact: Contact }) {
  const unit = useUnit();
  const { value, u } = contact.gap;
  if (value === null) {
    return (
      <Box sx={{ color: "text.secondary" }}>{contact.gap.cannot ?? ""}</Box>
    );
  }
  const { stands } = contact;
  return (
    <Box
      sx={{
        fontWeight: 700,
        color:
          stands === "touches"
            ? "error.main"
            : stands === "tight"
              ? "warning.main"
              : "text.primary",
      }}
    >
      {stands === "touches"
        ? `■ touches by ${showText(-value, unit)}`
        : `${stands === "tight" ? "▲ " : ""}${showText(value, unit)}`}
      <Box component="span" sx={{ fontWeight: 400, color: "text.secondary" }}>
        {" "}
        ± {showText(2 * (u ?? 0), unit)}
      </Box>
    </Box>
  );
}
