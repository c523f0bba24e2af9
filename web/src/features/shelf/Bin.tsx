import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must } from "../../api/client";
import { shop } from "../../api/job";
import { partWords } from "../../api/words";

/** What was taken off: stacks keep their own copy, and it can be put back for 90 days. */
export function Bin() {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const bin = useQuery({
    queryKey: ["parts", "bin"],
    queryFn: async () => must(await api.GET("/api/parts/bin")),
    enabled: open,
  });
  return (
    <Box
      component="details"
      onToggle={(e) => {
        setOpen((e.target as HTMLDetailsElement).open);
      }}
    >
      <Typography
        component="summary"
        sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
      >
        Taken off the shelf
      </Typography>
      <Typography color="text.secondary">
        Kept for 90 days. Stacks that were fitted keep their own copy for ever.
      </Typography>
      {bin.data?.length === 0 && <Typography>Nothing.</Typography>}
      {bin.data?.map(({ part }) => (
        <Box
          key={part.id}
          sx={{ display: "flex", gap: 2, alignItems: "center", py: 0.5 }}
        >
          <Box sx={{ flex: 1 }}>
            {part.name} {part.number}, {partWords[part.kind].said}
          </Box>
          <Button
            variant="outlined"
            aria-label={`Put back ${part.name}`}
            onClick={() => {
              void shop({ kind: "putPartBack", id: part.id }).then(() =>
                client.invalidateQueries({ queryKey: ["parts"] }),
              );
            }}
          >
            Put back
          </Button>
        </Box>
      ))}
    </Box>
  );
}
