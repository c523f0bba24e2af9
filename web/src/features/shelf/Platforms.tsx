import { shop } from "../../api/job";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { aspectWords } from "../../api/words";
import { at } from "../../shared/ProblemNote";
import { usePlatforms } from "../../shared/usePlatforms";

/** The shop's own list of platforms: vehicles that share a suspension, and what tells those of one apart. */
export function Platforms() {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const platforms = usePlatforms();
  const add = useMutation({
    mutationFn: () => shop({ kind: "savePlatform", id: v7(), name }),
    onSuccess: async () => {
      setName("");
      await client.invalidateQueries({ queryKey: ["platforms"] });
    },
  });
  return (
    <Box component="details" sx={{ mt: 1 }}>
      <Typography
        component="summary"
        sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
      >
        Platforms, and what tells their vehicles apart
      </Typography>
      <Typography color="text.secondary">
        Vehicles that share a suspension. What one job teaches, the next of its
        platform uses, so keep one name for each. What tells vehicles of one
        platform apart decides which parts fit.
      </Typography>
      {platforms.data?.map((p) => (
        <One key={p.id} platform={p} />
      ))}
      <Box
        component="form"
        sx={{ display: "flex", gap: 1, maxWidth: 480, mt: 2 }}
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

/** A platform with its lists. */
function One({ platform }: { platform: Schemas["Platform"] }) {
  const client = useQueryClient();
  const [aspect, setAspect] = useState<Schemas["VariantAspect"]>("engine");
  const [value, setValue] = useState("");
  const change = useMutation({
    mutationFn: (of: {
      kind: "addVariant" | "dropVariant";
      aspect: Schemas["VariantAspect"];
      value: string;
    }) => shop({ ...of, platformId: platform.id }),
    onSuccess: async (_, { kind }) => {
      if (kind === "addVariant") {
        setValue("");
      }
      await client.invalidateQueries({ queryKey: ["platforms"] });
    },
  });
  const lists = platform.variants ?? [];
  return (
    <details>
      <Box component="summary" sx={{ cursor: "pointer", minHeight: 40, pt: 1 }}>
        <b>{platform.name}</b>
        <Box component="span" sx={{ color: "text.secondary" }}>
          {lists.map((l) => ` · ${l.values.join(", ")}`).join("")}
        </Box>
      </Box>
      {lists.map((l) => (
        <Box
          key={l.aspect}
          sx={{ display: "flex", flexWrap: "wrap", gap: 1, pl: 2 }}
        >
          <Box sx={{ minWidth: 150, alignSelf: "center" }}>
            {aspectWords[l.aspect]}
          </Box>
          {l.values.map((v) => (
            <Button
              key={v}
              variant="outlined"
              size="small"
              aria-label={`Take ${v} off the list, ${platform.name}`}
              onClick={() => {
                change.mutate({
                  kind: "dropVariant",
                  aspect: l.aspect,
                  value: v,
                });
              }}
            >
              {v} ✕
            </Button>
          ))}
        </Box>
      ))}
      <Box
        component="form"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, pl: 2, py: 1 }}
        onSubmit={(e) => {
          e.preventDefault();
          if (!change.isPending) {
            change.mutate({ kind: "addVariant", aspect, value });
          }
        }}
      >
        <TextField
          select
          size="small"
          label="Of"
          value={aspect}
          onChange={(e) => {
            setAspect(e.target.value as Schemas["VariantAspect"]);
          }}
          sx={{ minWidth: 170 }}
        >
          {Object.entries(aspectWords).map(([key, said]) => (
            <MenuItem key={key} value={key}>
              {said}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          size="small"
          label={`New on the list of ${platform.name}`}
          value={value}
          onChange={(e) => {
            setValue(e.target.value);
          }}
          {...at(change.error, "value")}
          sx={{ minWidth: 260 }}
        />
        <Button type="submit" variant="outlined">
          Add
        </Button>
      </Box>
    </details>
  );
}
