import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { cornerWords, typed } from "../../shared/quantity";
import { useOnce } from "../../shared/useOnce";
import { TyreRoom } from "./TyreRoom";
import { wantedSays } from "./wanted";

type Kind = Schemas["WishKind"];

/** Wishes in the owner's words, and what each has to be told. */
const wishes: { kind: Kind; says: string; asks: string[] }[] = [
  { kind: "level", says: "Level", asks: [] },
  { kind: "keepRake", says: "Keep some rake", asks: ["amount"] },
  { kind: "levelLoaded", says: "Level with the load on", asks: [] },
  { kind: "raiseBoth", says: "Raise both ends by", asks: ["amount"] },
  { kind: "roomForTyre", says: "Room for a tyre", asks: ["tyre"] },
  { kind: "noLean", says: "Take out the lean", asks: [] },
  { kind: "evenDiagonals", says: "Even the diagonals", asks: [] },
  { kind: "notMoreThan", says: "Not more than", asks: ["amount"] },
  { kind: "notAbove", says: "Not above a height", asks: ["roof", "amount"] },
  { kind: "nothing", says: "None of these", asks: [] },
];

const fieldWords: Record<string, Partial<Record<Kind, string>>> = {
  amount: {
    keepRake: "Rake; empty keeps today's",
    raiseBoth: "By",
    notMoreThan: "At most",
    notAbove: "It must pass under",
  },
  roof: { notAbove: "Highest point today" },
  tyre: { roomForTyre: "Size, as on the tyre" },
};

/** What is wanted: said in words, shown as numbers, each of them to be changed. */
export function Wanted() {
  const view = useJob();
  const d = view.document;
  const unit = useUnit();
  const send = useSend();
  const seen = useSeenVersion(d.job.id);
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState<Kind | null>(null);
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<Error | null>(null);
  const chosen = wishes.find((w) => w.kind === asked);

  const once = useOnce();
  const wish = async (kind: Kind) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "makeWish",
            version: view.versions[d.job.id] ?? 0,
            wish: kind,
            amount: typed(texts.amount ?? "", unit, "told"),
            roof: typed(texts.roof ?? "", unit),
            tyre: texts.tyre ?? null,
          },
          "what is wanted",
        ),
      );
      if (kind !== "roomForTyre") {
        setAsked(null);
        setTexts({});
      }
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box
      component="section"
      aria-label="What is wanted"
      sx={open ? { flexBasis: "100%" } : undefined}
    >
      <Box
        sx={{
          display: "flex",
          columnGap: 1,
          alignItems: "center",
        }}
      >
        <Typography>
          Wanted: <b>{wantedSays(d.job.target, unit)}</b>
        </Typography>
        <Button
          sx={{ flex: "none" }}
          aria-expanded={open}
          aria-label={open ? undefined : "Change it: what is wanted"}
          onClick={() => {
            setOpen(!open);
          }}
        >
          {open ? "That is all" : "Change it"}
        </Button>
      </Box>
      {open && (
        <Box sx={{ borderLeft: 4, borderColor: "secondary.main", pl: 2 }}>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
            {wishes.map((w) => (
              <Button
                key={w.kind}
                variant="outlined"
                aria-pressed={asked === w.kind}
                onClick={() => {
                  setProblem(null);
                  if (w.asks.length === 0) {
                    setAsked(null);
                    void once(() => wish(w.kind));
                  } else {
                    setTexts({});
                    setAsked(w.kind);
                  }
                }}
              >
                {w.says}
              </Button>
            ))}
          </Box>
          {chosen && (
            <Box
              component="form"
              onSubmit={(e) => {
                e.preventDefault();
                void once(() => wish(chosen.kind));
              }}
              sx={{
                display: "grid",
                gap: 1,
                mt: 1.5,
                alignItems: "start",
                gridTemplateColumns: "repeat(auto-fill, minmax(200px, 1fr))",
              }}
            >
              {chosen.asks.map((name, i) => (
                <TextField
                  key={name}
                  autoFocus={i === 0}
                  label={fieldWords[name]?.[chosen.kind] ?? name}
                  value={texts[name] ?? ""}
                  placeholder={
                    name === "tyre" ? "for example 33x12.50R15" : unit
                  }
                  onChange={(e) => {
                    setTexts({ ...texts, [name]: e.target.value });
                  }}
                  {...at(problem, name)}
                  slotProps={{ inputLabel: { shrink: true } }}
                />
              ))}
              <Button type="submit" variant="contained">
                {chosen.kind === "roomForTyre" ? "Make room" : "Set"}
              </Button>
            </Box>
          )}
          {chosen?.kind === "roomForTyre" && (
            <TyreRoom size={texts.tyre ?? ""} />
          )}
          <ProblemNote problem={problem} />
          <Needed needed={view.results.needed} />
        </Box>
      )}
    </Box>
  );
}

/** By how much each corner must rise, from where it stands now. */
function Needed({ needed }: { needed: Schemas["NeededRise"][] }) {
  if (needed.length === 0) {
    return (
      <Typography color="text.secondary" sx={{ my: 1 }}>
        Walk round first: then it is told by how much each corner must rise.
      </Typography>
    );
  }
  return (
    <Box component="dl" aria-label="Rise that each corner needs" sx={rises}>
      {needed.map((n) => (
        <Box key={n.corner}>
          <Box component="dt" sx={{ color: "text.secondary" }}>
            {cornerWords[n.corner]} must rise
          </Box>
          <Box component="dd" sx={{ m: 0, fontWeight: 700 }}>
            <ResultLength result={n.rise} signed />
            {n.loaded && (
              <Box sx={{ fontWeight: 400, fontSize: "0.9rem" }}>
                loaded <ResultLength result={n.loaded} signed />
              </Box>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

const rises = {
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
  gap: 1,
  my: 1.5,
};
