import Box from "@mui/material/Box";
import Button from "@mui/material/Button";

/** What can be chosen, a button each. */
export function Choices({
  choices,
  says,
  chosen,
  onChoose,
}: {
  choices: readonly { id: string; name: string }[];
  says: (name: string) => string;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  return (
    <Box
      role="group"
      aria-label="Choose"
      sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}
    >
      {choices.map((c) => (
        <Button
          key={c.id}
          variant={c.id === chosen ? "contained" : "outlined"}
          aria-pressed={c.id === chosen}
          onClick={() => {
            onChoose(c.id);
          }}
        >
          {says(c.name)}
        </Button>
      ))}
    </Box>
  );
}
