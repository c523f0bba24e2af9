import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { knownWords, typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";
import { kindWords } from "./kinds";
import { Platforms } from "./Platforms";

interface PartText {
  id: string;
  version: number | null;
  number: string;
  name: string;
  kind: Schemas["PartKind"];
  thickness: string;
  thicknessKnown: Schemas["Known"];
  claim: string;
  count: string;
}

function byKindAndThickness(
  { part: a }: Schemas["ShelfPart"],
  { part: b }: Schemas["ShelfPart"],
): number {
  const thick = (p: Schemas["Part"]) =>
    p.thickness ? inMm(p.thickness) : Number.MAX_VALUE;
  return b.kind.localeCompare(a.kind) || thick(a) - thick(b);
}

const blank = (): PartText => ({
  id: v7(),
  version: null,
  number: "",
  name: "",
  kind: "strutTopSpacer",
  thickness: "",
  thicknessKnown: "measured",
  claim: "",
  count: "2",
});

const edit = ({ part: p, version }: Schemas["ShelfPart"]): PartText => ({
  id: p.id,
  version,
  number: p.number,
  name: p.name,
  kind: p.kind,
  thickness: p.thickness
    ? (p.thickness.typed ??
      `${p.thickness.value.toString()} ${p.thickness.unit}`)
    : "",
  thicknessKnown: p.thickness?.known ?? "measured",
  claim: p.claim
    ? (p.claim.typed ?? `${p.claim.value.toString()} ${p.claim.unit}`)
    : "",
  count: p.count.toString(),
});

/** The parts at hand. Thickness and claim are two numbers: one is taped, the other is what a box says. */
export default function Shelf() {
  const unit = useUnit();
  const client = useQueryClient();
  const parts = useQuery({
    queryKey: ["parts"],
    queryFn: async () => must(await api.GET("/api/parts")),
  });
  const [draft, setDraft, clear] = useDraft<PartText | null>("part", null);
  const [answers, setAnswers] = useState<string[]>([]);
  const save = useMutation({
    mutationFn: async ({ p, given }: { p: PartText; given: string[] }) =>
      must(
        await api.PUT("/api/parts/{id}", {
          params: { path: { id: p.id } },
          body: {
            version: p.version,
            number: p.number,
            name: p.name,
            kind: p.kind,
            thickness: typed(p.thickness, unit, p.thicknessKnown, given),
            claim: typed(p.claim, unit, "box", given),
            count: Number.parseInt(p.count, 10) || 0,
            price: null,
            currency: null,
            notes: null,
          },
        }),
      ),
    onSuccess: async () => {
      clear();
      setAnswers([]);
      await client.invalidateQueries({ queryKey: ["parts"] });
    },
  });
  const field = (
    key: "number" | "name" | "thickness" | "claim" | "count",
    label: string,
  ) =>
    draft && (
      <TextField
        label={label}
        value={draft[key]}
        onChange={(e) => {
          setAnswers([]);
          setDraft({ ...draft, [key]: e.target.value });
        }}
        {...at(save.error, key)}
      />
    );

  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1000 }}
    >
      <Box
        sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}
      >
        <Typography variant="h1" sx={{ flex: 1 }}>
          Shelf
        </Typography>
        <Button
          variant="contained"
          onClick={() => {
            setDraft(blank());
          }}
        >
          Put a part on the shelf
        </Button>
      </Box>
      <Typography color="text.secondary" sx={{ my: 1 }}>
        Thickness is what the tape says between the faces. The claim is what the
        box says it lifts. Neither is the lift.
      </Typography>
      {draft && (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            save.mutate({ p: draft, given: answers });
          }}
          sx={{
            border: 2,
            borderColor: "primary.main",
            p: 1.5,
            my: 1.5,
            display: "grid",
            gap: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(180px, 1fr))",
          }}
        >
          {field("name", "Name")}
          {field("number", "Number")}
          <TextField
            select
            label="It is a"
            value={draft.kind}
            onChange={(e) => {
              setDraft({
                ...draft,
                kind: e.target.value as Schemas["PartKind"],
              });
            }}
          >
            <MenuItem value="strutTopSpacer">strut top spacer</MenuItem>
            <MenuItem value="block">block</MenuItem>
          </TextField>
          {field("thickness", "Thickness")}
          <TextField
            select
            label="Thickness is"
            value={draft.thicknessKnown}
            onChange={(e) => {
              setDraft({
                ...draft,
                thicknessKnown: e.target.value as Schemas["Known"],
              });
            }}
          >
            <MenuItem value="measured">measured</MenuItem>
            <MenuItem value="box">read off a box</MenuItem>
            <MenuItem value="told">told</MenuItem>
          </TextField>
          {field("claim", "Claimed lift")}
          {field("count", "Pieces")}
          <Box
            sx={{
              gridColumn: "1 / -1",
              display: "flex",
              gap: 1,
              flexWrap: "wrap",
            }}
          >
            <Button type="submit" variant="contained">
              Keep this part
            </Button>
            <Button
              onClick={() => {
                clear();
              }}
            >
              Stop
            </Button>
            <ProblemNote
              problem={save.error}
              onChoose={(key) => {
                const given = [...answers, key];
                setAnswers(given);
                save.mutate({ p: draft, given });
              }}
            />
            {save.error instanceof Problem &&
              save.error.theirs !== undefined &&
              save.error.theirs !== null && (
                <Button
                  variant="outlined"
                  onClick={() => {
                    void parts.refetch().then((fresh) => {
                      const theirs = fresh.data?.find(
                        (p) => p.part.id === draft.id,
                      );
                      if (theirs) {
                        setDraft({ ...draft, version: theirs.version });
                        save.reset();
                      }
                    });
                  }}
                >
                  Keep mine over theirs
                </Button>
              )}
          </Box>
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0 }}>
        {parts.data?.toSorted(byKindAndThickness).map((row) => (
          <Box
            component="li"
            key={row.part.id}
            sx={{
              display: "flex",
              gap: 2,
              alignItems: "center",
              borderBottom: 1,
              borderColor: "divider",
              py: 0.5,
            }}
          >
            <Box sx={{ flex: 1 }}>
              <b>{row.part.name}</b> {row.part.number} ·{" "}
              {kindWords[row.part.kind]}
              <Box sx={{ color: "text.secondary" }}>
                {row.part.thickness
                  ? `${showText(inMm(row.part.thickness), unit)} thick, ${knownWords[row.part.thickness.known]}`
                  : "thickness unknown: no prediction until somebody measures it"}
                {row.part.claim &&
                  ` · claims ${showText(inMm(row.part.claim), unit)}`}
              </Box>
            </Box>
            <Box sx={{ fontWeight: 700 }}>{row.part.count}</Box>
            <Button
              variant="outlined"
              aria-label={`Change ${row.part.name}`}
              onClick={() => {
                save.reset();
                setDraft(edit(row));
              }}
            >
              Change
            </Button>
          </Box>
        ))}
      </Box>
      {parts.data?.length === 0 && (
        <Typography>
          The shelf is empty. Put the first part on it: its thickness taped, its
          claim as the box says.
        </Typography>
      )}
      <Platforms />
    </Box>
  );
}
