import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import Typography from "@mui/material/Typography";
import { useJob } from "../../../api/job";
import { lips, stationWords, type Entry } from "./useEntry";

/** Corners that hang or are changed already while this is read: such a reading is marked and is no baseline. */
export function RaisedOrChanged({ entry }: { entry: Entry }) {
  const { raised } = useJob();
  const any = raised.length + entry.raised.length + entry.changed.length > 0;
  return (
    <Box component="details" open={any || undefined}>
      <Typography component="summary" sx={{ py: 1.25 }}>
        {any ? "▲ " : ""}A corner is raised, or a part is in already
      </Typography>
      {raised.length > 0 && (
        <Typography sx={{ color: "warning.main" }}>
          ▲ By the card the vehicle still hangs (
          {raised.map((c) => stationWords(c).toLowerCase()).join(", ")}): a
          reading now is marked and is no baseline.
        </Typography>
      )}
      <Row label="Raised" on={entry.raised} onChange={entry.setRaised} />
      <Row label="Part in" on={entry.changed} onChange={entry.setChanged} />
    </Box>
  );
}

function Row({
  label,
  on,
  onChange,
}: {
  label: string;
  on: string[];
  onChange: (on: string[]) => void;
}) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: "flex", alignItems: "center", gap: 1, mb: 1 }}
    >
      <Box component="span" sx={{ width: 64 }}>
        {label}
      </Box>
      {lips.map((c) => (
        <ToggleButton
          key={c}
          value={c}
          selected={on.includes(c)}
          aria-label={`${c} ${label.toLowerCase()}`}
          onChange={() => {
            onChange(on.includes(c) ? on.filter((x) => x !== c) : [...on, c]);
          }}
        >
          {on.includes(c) ? `✓ ${c}` : c}
        </ToggleButton>
      ))}
    </Box>
  );
}
