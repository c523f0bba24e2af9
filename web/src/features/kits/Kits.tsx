import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { BothWays } from "../../shared/BothWays";
import { Length } from "../../shared/Length";
import { inMm } from "../../shared/length";
import { asError, at } from "../../shared/ProblemNote";
import { Surely } from "../../shared/Surely";
import { useOnce } from "../../shared/useOnce";
import { KitSheet } from "./KitSheet";
import {
  allThere,
  inputsOf,
  kitSays,
  linesOf,
  openOf,
  pieceSays,
  textOf,
  type KitText,
} from "./kit";

/** The kits of a plan: what its boxes hold, what is missing, what is left out and why, and what was used. */
export function Kits({ plan }: { plan: Schemas["Plan"] }) {
  const kits = useJob().document.kits.filter((k) => k.planId === plan.id);
  return kits.map((kit) => (
    <KitBox key={kit.id} kit={kit} begun={plan.begunAt !== null} />
  ));
}

function KitBox({ kit, begun }: { kit: Schemas["Kit"]; begun: boolean }) {
  const send = useSend();
  const once = useOnce();
  const seen = useSeenVersion(kit.id);
  const [text, setText] = useState(() => textOf(kit));
  const [problem, setProblem] = useState<Error | null>(null);
  const save = (counted: KitText, over?: JobView) =>
    once(async () => {
      setProblem(null);
      setText(counted);
      try {
        seen.saved(
          await send(
            {
              kind: "countKit",
              id: kit.id,
              version: over ? (over.versions[kit.id] ?? 0) : seen.version,
              pieces: inputsOf(kit, counted),
            },
            `the count of ${kit.name}`,
          ),
        );
      } catch (e) {
        setProblem(asError(e));
      }
    });
  const claims = (
    [
      ["in front", kit.frontClaim],
      ["at the rear", kit.rearClaim],
      ["as a whole", kit.claim],
    ] as const
  ).flatMap(([where, q]) => (q ? [{ where, mm: inMm(q) }] : []));
  const freshKit = (fresh: JobView) =>
    fresh.document.kits.find((k) => k.id === kit.id);
  return (
    <Box
      component="form"
      aria-label={`Kit: ${kit.name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void save(text);
      }}
      sx={{
        borderLeft: 4,
        borderColor:
          openOf(kit, begun).length > 0 ? "warning.main" : "success.main",
        pl: 1.5,
        my: 2,
      }}
    >
      <Typography variant="h2">
        {kit.name} {kit.number}
      </Typography>
      <Typography role="status" sx={{ fontWeight: 700 }}>
        {kitSays(kit, begun)}
      </Typography>
      <Typography color="text.secondary" sx={{ fontSize: "0.92rem" }}>
        {claims.length > 0 ? "Its box says " : "Its box says nothing of a lift"}
        {claims.map(({ where, mm }, i) => (
          <span key={where}>
            {i > 0 && ", "}
            <Length mm={mm} /> {where}
          </span>
        ))}
        . What it will do is worked out from its pieces.
      </Typography>
      {kit.sheet && <KitSheet sheet={kit.sheet} />}
      {kit.pieces.map((p, i) => {
        const t = text[p.name];
        if (!t) {
          return null;
        }
        const stands = p.stacks.length > 0;
        const change = (next: Partial<typeof t>) => {
          setText({ ...text, [p.name]: { ...t, ...next } });
        };
        const says = pieceSays(p);
        return (
          <Box
            key={p.name}
            sx={{
              display: "flex",
              flexWrap: "wrap",
              alignItems: "center",
              columnGap: 1.5,
              rowGap: 0.5,
              py: 0.75,
              borderBottom: 1,
              borderColor: "divider",
            }}
          >
            <Box sx={{ flex: "1 1 150px", minWidth: 0 }}>
              <b>{p.count}</b> {p.name}
              <Box
                component="span"
                sx={{
                  display: "block",
                  fontSize: "0.88rem",
                  color: says?.startsWith("■")
                    ? "error.main"
                    : "text.secondary",
                }}
              >
                {[
                  stands ? p.stacks.map((s) => s.corner).join(", ") : null,
                  says,
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </Box>
            </Box>
            {!begun && (
              <TextField
                label="In the box"
                size="small"
                value={t.found}
                onChange={(e) => {
                  change({ found: e.target.value });
                }}
                sx={{ width: 110 }}
                slotProps={{
                  htmlInput: {
                    inputMode: "numeric",
                    "aria-label": `${p.name}, in the box`,
                  },
                }}
                {...at(problem, `pieces[${i.toString()}].found`)}
              />
            )}
            {begun && !stands && (
              <FormControlLabel
                control={
                  <Checkbox
                    checked={t.used}
                    onChange={(e) => {
                      change({ used: e.target.checked, leftOut: false });
                    }}
                    slotProps={{ input: { "aria-label": `${p.name}, used` } }}
                  />
                }
                label="used"
              />
            )}
            {!(begun && stands) && (
              <FormControlLabel
                control={
                  <Checkbox
                    checked={t.leftOut}
                    onChange={(e) => {
                      change({ leftOut: e.target.checked, used: false });
                    }}
                    slotProps={{
                      input: { "aria-label": `${p.name}, left out` },
                    }}
                  />
                }
                label="left out"
              />
            )}
            {t.leftOut && !(begun && stands) && (
              <TextField
                label={`Why ${p.name} is left out`}
                size="small"
                value={t.why}
                onChange={(e) => {
                  change({ why: e.target.value });
                }}
                sx={{ flex: "1 1 220px" }}
                {...at(problem, `pieces[${i.toString()}].why`)}
              />
            )}
          </Box>
        );
      })}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        {!begun && (
          <Button
            variant="outlined"
            onClick={() => void save(allThere(kit, text))}
          >
            Everything is in the box
          </Button>
        )}
        <Button type="submit" variant="outlined">
          {begun ? "Keep what was used" : "Keep the count"}
        </Button>
        {!begun && (
          <Surely
            says="Take the kit out"
            label={`Take the kit out: ${kit.name}`}
            sure={`Take out ${kit.name} with all its pieces`}
            act={async () => {
              try {
                await send(
                  {
                    kind: "takeKitOut",
                    id: kit.id,
                    version: seen.version,
                  },
                  `taking out ${kit.name}`,
                );
              } catch (e) {
                setProblem(asError(e));
              }
            }}
          />
        )}
      </Box>
      <BothWays
        problem={problem}
        mine={linesOf(kit, text)}
        theirs={(fresh) => {
          const its = freshKit(fresh);
          return its ? linesOf(its, textOf(its)) : {};
        }}
        onTheirs={(fresh) => {
          const its = freshKit(fresh);
          if (its) {
            setText(textOf(its));
          }
          seen.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(text, fresh)}
      />
    </Box>
  );
}
