import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { fractionKeys, type Division } from "./tape";

const names: Record<string, string> = {
  "⌫": "⌫, take back",
  "+": "+, strong",
  "-": "−, shy",
  ".": "., point",
};

/** Whole numbers and the fractions as keys, for a gloved finger. */
export function Keypad({
  division,
  onKey,
}: {
  division: Division;
  onKey: (key: string) => void;
}) {
  const fractions = fractionKeys(division);
  return (
    <Box
      role="group"
      aria-label="Keypad"
      sx={{
        display: "grid",
        gap: 0.75,
        gridTemplateColumns:
          fractions.length > 0
            ? "repeat(3, minmax(44px, 1fr)) 6px repeat(4, minmax(44px, 1fr))"
            : "repeat(3, minmax(48px, 1fr))",
        maxWidth: fractions.length > 0 ? 460 : 240,
      }}
    >
      {["7", "8", "9", "4", "5", "6", "1", "2", "3", "0", "+", "-"].map(
        (key, i) => (
          <Key
            key={key}
            name={key}
            column={(i % 3) + 1}
            row={Math.floor(i / 3) + 1}
            onKey={onKey}
          />
        ),
      )}
      {fractions.length === 0 && (
        <>
          <Key name="⌫" column={1} row={5} span={2} onKey={onKey} />
          <Key name="." column={3} row={5} onKey={onKey} />
        </>
      )}
      {fractions.map((key, i) => (
        <Key
          key={key}
          name={key}
          column={(i % 4) + 5}
          row={Math.floor(i / 4) + 1}
          quiet={Number(key.split("/")[1]) > 8}
          onKey={onKey}
        />
      ))}
      {fractions.length > 0 && (
        <Key
          name="⌫"
          column={(fractions.length % 4) + 5}
          row={Math.floor(fractions.length / 4) + 1}
          onKey={onKey}
        />
      )}
    </Box>
  );
}

function Key({
  name,
  column,
  row,
  span = 1,
  quiet = false,
  onKey,
}: {
  name: string;
  column: number;
  row: number;
  span?: number;
  quiet?: boolean;
  onKey: (key: string) => void;
}) {
  return (
    <ButtonBase
      aria-label={names[name]}
      onClick={() => {
        onKey(name);
      }}
      sx={{
        gridColumn: `${column.toString()} / span ${span.toString()}`,
        gridRow: row,
        minHeight: 48,
        border: 1.5,
        borderRadius: 1,
        borderColor: quiet ? "divider" : "text.secondary",
        fontSize: name.includes("/") ? "1.05rem" : "1.35rem",
        fontWeight: 650,
        fontFamily: "inherit",
        bgcolor: "background.paper",
        "&:focus-visible": { outline: 3, outlineOffset: 1 },
        "&:active": { bgcolor: "divider" },
      }}
    >
      {name === "-" ? "−" : name}
    </ButtonBase>
  );
}
