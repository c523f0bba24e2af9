import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";

/** How the size of a part or a piece is known. */
export function KnownSelect({
  label,
  known,
  small = false,
  onChange,
}: {
  label: string;
  known: Schemas["Known"];
  small?: boolean;
  onChange: (known: Schemas["Known"]) => void;
}) {
  return (
    <TextField
      select
      label={label}
      {...(small ? { size: "small" } : {})}
      value={known}
      onChange={(e) => {
        onChange(e.target.value as Schemas["Known"]);
      }}
    >
      <MenuItem value="measured">measured</MenuItem>
      <MenuItem value="box">read off a box</MenuItem>
      <MenuItem value="told">told</MenuItem>
    </TextField>
  );
}
