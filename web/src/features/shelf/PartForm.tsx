import { shop } from "../../api/job";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { useUnit } from "../../shared/Length";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { fieldLabel, fieldUnit } from "../../shared/suspensions";
import { PartDrawing } from "../../shared/PartDrawing";
import { partWords } from "../../api/words";
import { BoxForm } from "./BoxForm";
import { FitForm } from "./FitForm";
import { KnownSelect } from "./KnownSelect";
import { kindsOffered } from "./kinds";
import {
  blankLeaf,
  isMadeForALoad,
  leafProblem,
  partCommand,
  type LeafText,
  type PartText,
} from "./part";

const money = new Set(["price", "currency", "hours"]);

/** One part: its own size, what its box claims, and whatever else its kind can have. */
export function PartForm({
  draft,
  kinds,
  onChange,
  onDone,
}: {
  draft: PartText;
  kinds: Schemas["PartKindView"][];
  onChange: (draft: PartText) => void;
  onDone: () => void;
}) {
  const unit = useUnit();
  const client = useQueryClient();
  const [answers, setAnswers] = useState<string[]>([]);
  const kind = kinds.find((k) => k.rule.kind === draft.kind);
  const save = useMutation({
    mutationFn: async ({ p, given }: { p: PartText; given: string[] }) => {
      const leaf = p.kind === "leafPack" ? leafProblem(p.leaves) : null;
      if (leaf) {
        throw new Error(leaf);
      }
      await shop(partCommand(p, kind, unit, given, kinds));
    },
    onSuccess: async () => {
      onDone();
      await client.invalidateQueries({ queryKey: ["parts"] });
    },
  });
  const field = (
    key:
      | "number"
      | "name"
      | "thickness"
      | "claim"
      | "extension"
      | "count"
      | "price"
      | "currency"
      | "hours"
      | "limits"
      | "madeFor"
      | "notes"
      | "supplier",
    label: string,
    placeholder = money.has(key) ? "unknown" : undefined,
  ) => (
    <TextField
      label={label}
      value={draft[key]}
      placeholder={placeholder}
      onChange={(e) => {
        setAnswers([]);
        onChange({ ...draft, [key]: e.target.value });
      }}
      {...at(save.error, key)}
    />
  );
  return (
    <Box
      component="form"
      aria-label={draft.box ? "Kit" : "Part"}
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
      {field("number", "Number", "none")}
      {!draft.box && (
        <TextField
          select
          label="It is a"
          value={draft.kind}
          onChange={(e) => {
            onChange({ ...draft, kind: e.target.value as Schemas["PartKind"] });
          }}
        >
          {kindsOffered.map((k) => (
            <MenuItem key={k} value={k}>
              <Box
                component="span"
                sx={{ display: "flex", alignItems: "center", gap: 1 }}
              >
                <PartDrawing kind={k} size={26} />
                {partWords[k].said}
              </Box>
            </MenuItem>
          ))}
        </TextField>
      )}
      {kind?.rule.amount && field("thickness", kind.rule.amount)}
      {kind?.rule.amount && (
        <KnownSelect
          label={`${kind.rule.amount === "Thickness" ? "Thickness" : "That"} is`}
          known={draft.thicknessKnown}
          onChange={(thicknessKnown) => {
            onChange({ ...draft, thicknessKnown });
          }}
        />
      )}
      {field("claim", draft.box ? "Claimed, as a whole" : "Claimed lift")}
      {draft.box && (
        <BoxForm
          box={draft.box}
          kinds={kinds}
          problem={save.error}
          onChange={(box) => {
            setAnswers([]);
            onChange({ ...draft, box });
          }}
        />
      )}
      {kind?.sizes.map((s) => (
        <TextField
          key={s.name}
          label={fieldLabel(
            s.label,
            fieldUnit(s.unit, unit, draft.stored[s.name]),
          )}
          value={draft.sizes[s.name] ?? ""}
          onChange={(e) => {
            setAnswers([]);
            onChange({
              ...draft,
              sizes: { ...draft.sizes, [s.name]: e.target.value },
            });
          }}
          {...at(save.error, s.name)}
        />
      ))}
      {kind &&
        isMadeForALoad(kind) &&
        field("madeFor", "Made for", "engine, load and trim")}
      {draft.kind === "strutTopSpacer" && field("extension", "Its studs give")}
      {field("count", draft.box ? "Boxes" : "Pieces")}
      {field("price", "Price of one")}
      {field("currency", "Currency, three letters")}
      {field("supplier", "From whom")}
      <TextField
        type="date"
        label="Ordered, comes on"
        value={draft.dueOn}
        onChange={(e) => {
          onChange({ ...draft, dueOn: e.target.value });
        }}
        slotProps={{ inputLabel: { shrink: true } }}
        {...at(save.error, "dueOn")}
      />
      {field("hours", "Hours to fit one")}
      {field("limits", "What its maker forbids")}
      {field("notes", "Notes")}
      <FitForm
        fit={draft.fit}
        problem={save.error}
        onChange={(fit) => {
          setAnswers([]);
          onChange({ ...draft, fit });
        }}
      />
      {draft.kind === "leafPack" && (
        <Leaves
          leaves={draft.leaves}
          onChange={(leaves) => {
            onChange({ ...draft, leaves });
          }}
        />
      )}
      {kind?.rule.orientation && (
        <Typography
          color="text.secondary"
          sx={{ gridColumn: "1 / -1", fontSize: "0.92rem" }}
        >
          Which way: {kind.rule.orientation}
        </Typography>
      )}
      <Box
        sx={{ gridColumn: "1 / -1", display: "flex", gap: 1, flexWrap: "wrap" }}
      >
        <Button type="submit" variant="contained">
          {draft.box ? "Keep this kit" : "Keep this part"}
        </Button>
        <Button onClick={onDone}>Not now</Button>
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
                void client
                  .query({
                    queryKey: ["parts"],
                    queryFn: async () => must(await api.GET("/api/parts")),
                  })
                  .then((fresh) => {
                    const theirs = fresh.find((p) => p.part.id === draft.id);
                    if (theirs) {
                      onChange({ ...draft, version: theirs.version });
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
  );
}

const leafFields: {
  key: Exclude<keyof LeafText, "overload">;
  label: string;
}[] = [
  { key: "count", label: "Alike" },
  { key: "front", label: "Pin to front, mm" },
  { key: "rear", label: "Pin to rear, mm" },
  { key: "width", label: "Width, mm" },
  { key: "thickness", label: "Thickness, mm" },
  { key: "arch", label: "Free arch, mm" },
];

/** A leaf pack leaf by leaf, the main leaf first. */
function Leaves({
  leaves,
  onChange,
}: {
  leaves: LeafText[];
  onChange: (leaves: LeafText[]) => void;
}) {
  return (
    <Box sx={{ gridColumn: "1 / -1" }}>
      <Typography sx={{ fontWeight: 600 }}>
        Leaf by leaf, free on the bench, the main leaf first
      </Typography>
      <Typography color="text.secondary" sx={{ mb: 1, fontSize: "0.92rem" }}>
        With the arch of the spring that is in they give its lift and rate, the
        rate to about 20 %. Tapered leaves: leave this empty and measure by a
        ballast test.
      </Typography>
      {leaves.map((leaf, i) => (
        <Box
          key={i}
          sx={{
            display: "grid",
            gap: 1,
            mb: 1,
            gridTemplateColumns: "repeat(auto-fill, minmax(118px, 1fr))",
          }}
        >
          {leafFields.map(({ key, label }) => (
            <TextField
              key={key}
              label={label}
              value={leaf[key]}
              onChange={(e) => {
                onChange(
                  leaves.map((l, j) =>
                    j === i ? { ...l, [key]: e.target.value } : l,
                  ),
                );
              }}
              slotProps={{
                htmlInput: {
                  "aria-label": `${label}, leaf ${(i + 1).toString()}`,
                },
              }}
            />
          ))}
          <FormControlLabel
            control={
              <Switch
                checked={leaf.overload}
                onChange={(e) => {
                  onChange(
                    leaves.map((l, j) =>
                      j === i ? { ...l, overload: e.target.checked } : l,
                    ),
                  );
                }}
              />
            }
            label="Overload"
          />
          <Button
            onClick={() => {
              onChange(leaves.filter((_, j) => j !== i));
            }}
          >
            Take it out
          </Button>
        </Box>
      ))}
      <Button
        variant="outlined"
        onClick={() => {
          onChange([...leaves, leaves.at(-1) ?? blankLeaf]);
        }}
      >
        {leaves.length === 0 ? "Enter the main leaf" : "One more leaf"}
      </Button>
    </Box>
  );
}
