import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Schemas } from "../../api/client";

/** The plans that stand side by side: which is looked at, which shall be fitted. */
export function PlanTabs({
  plans,
  selected,
  onSelect,
  onAdd,
  onRename,
  onChoose,
  onDrop,
}: {
  plans: Schemas["Plan"][];
  selected: Schemas["Plan"] | undefined;
  onSelect: (id: string) => void;
  onAdd: () => void;
  onRename: (name: string) => void;
  onChoose: () => void;
  onDrop: () => void;
}) {
  const [name, setName] = useState<string | null>(null);
  const one = plans.find((p) => p.chosen) ?? plans[0];
  if (!selected) {
    return null;
  }
  return (
    <Box
      role="group"
      aria-label="Plans side by side"
      sx={{
        // They flow with what stands beside them.
        display: "contents",
      }}
    >
      {plans.map((p) => (
        <Button
          key={p.id}
          variant={p.id === selected.id ? "contained" : "outlined"}
          aria-pressed={p.id === selected.id}
          onClick={() => {
            onSelect(p.id);
            setName(null);
          }}
        >
          {p.id === one?.id ? "★ " : ""}
          {p.name}
        </Button>
      ))}
      <Button onClick={onAdd}>Another plan</Button>
      {name === null ? (
        <Button
          onClick={() => {
            setName(selected.name);
          }}
        >
          Rename
        </Button>
      ) : (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            onRename(name);
            setName(null);
          }}
          sx={{ display: "flex", gap: 1 }}
        >
          <TextField
            label="Name of the plan"
            size="small"
            value={name}
            onChange={(e) => {
              setName(e.target.value);
            }}
          />
          <Button type="submit" variant="outlined">
            Keep the name
          </Button>
        </Box>
      )}
      {plans.length > 1 && selected.id !== one?.id && (
        <Button onClick={onChoose}>★ This is the one</Button>
      )}
      {plans.length > 1 && <Button onClick={onDrop}>Drop this plan</Button>}
    </Box>
  );
}
