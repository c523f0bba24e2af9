import { shop } from "../../api/job";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { api, must } from "../../api/client";
import { at } from "../../shared/ProblemNote";

/** The shop's own list of platforms: vehicles that share a suspension. */
export function Platforms() {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const platforms = useQuery({
    queryKey: ["platforms"],
    queryFn: async () => must(await api.GET("/api/platforms")),
  });
  const add = useMutation({
    mutationFn: () => shop({ kind: "savePlatform", id: v7(), name }),
    onSuccess: async () => {
      setName("");
      await client.invalidateQueries({ queryKey: ["platforms"] });
    },
  });
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Typography variant="h2">Platforms</Typography>
      <Typography color="text.secondary">
        Vehicles that share a suspension. What one job teaches, the next of its
        platform uses, so keep one name for each.
      </Typography>
      <ul>
        {platforms.data?.map((p) => (
          <li key={p.id}>{p.name}</li>
        ))}
      </ul>
      <Box
        component="form"
        sx={{ display: "flex", gap: 1, maxWidth: 480 }}
        onSubmit={(e) => {
          e.preventDefault();
          if (!add.isPending) {
            add.mutate();
          }
        }}
      >
        <TextField
          label="New platform"
          value={name}
          onChange={(e) => {
            setName(e.target.value);
          }}
          {...at(add.error, "name")}
        />
        <Button type="submit" variant="outlined">
          Add
        </Button>
      </Box>
    </Box>
  );
}
