import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { heightAt } from "../../api/document";
import { useJob } from "../../api/job";
import { Length, ResultLength } from "../../shared/Length";
import { ProblemNote } from "../../shared/ProblemNote";
import { settledWords } from "./conditions/conditions";
import { StandardHeights } from "./StandardHeights";
import { stationWords } from "./reading/useEntry";

const cell = { px: 1.25, py: 0.5, textAlign: "left" as const };

/** Any two rounds beside each other: what rose, what should not have, and what was not alike. */
export function CompareView() {
  const view = useJob();
  const d = view.document;
  const order = new Map(d.stages.map((s) => [s.id, s]));
  const rounds = d.walkRounds.toSorted(
    (a, b) =>
      (order.get(a.stageId)?.ordinal ?? 0) -
        (order.get(b.stageId)?.ordinal ?? 0) || a.at.localeCompare(b.at),
  );
  const [beforeId, setBefore] = useState<string | null>(null);
  const [afterId, setAfter] = useState<string | null>(null);
  const before =
    rounds.find((r) => r.id === beforeId) ??
    rounds.find((r) => !r.fromDocument);
  const after = rounds.find((r) => r.id === afterId) ?? rounds.at(-1);
  const words = (r: Schemas["WalkRound"]) => {
    const stage = order.get(r.stageId);
    const nth = rounds.filter((x) => x.stageId === r.stageId).indexOf(r) + 1;
    return r.fromDocument
      ? "standard, from a document"
      : `${stage?.name ?? ""}, round ${nth.toString()} (${settledWords[r.settled]})`;
  };
  const pick = (
    label: string,
    value: Schemas["WalkRound"] | undefined,
    set: (id: string) => void,
  ) => (
    <TextField
      select
      label={label}
      value={value?.id ?? ""}
      onChange={(e) => {
        set(e.target.value);
      }}
      sx={{ maxWidth: 340 }}
    >
      {rounds.map((r) => (
        <MenuItem key={r.id} value={r.id}>
          {words(r)}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mb: 2 }}>
        {pick("From", before, setBefore)}
        {pick("To", after, setAfter)}
      </Box>
      {before && after && before.id !== after.id ? (
        <Two before={before.id} after={after.id} />
      ) : (
        <Typography>
          Two rounds are needed. A later one, or another at the same stage, can
          be read at any time; none is lost by it.
        </Typography>
      )}
      <StandardHeights />
    </Box>
  );
}

function Two({ before, after }: { before: string; after: string }) {
  const view = useJob();
  const job = view.document.job.id;
  const query = useQuery({
    queryKey: ["comparison", job, before, after],
    queryFn: async () =>
      must(
        await api.GET("/api/jobs/{job}/comparison", {
          params: { path: { job }, query: { before, after } },
        }),
      ),
  });
  if (query.isError) {
    return <ProblemNote problem={query.error} />;
  }
  if (!query.data) {
    return null;
  }
  const { comparison, sentences } = query.data;
  const stance = (id: string) =>
    view.results.walkRounds.find((w) => w.walkRoundId === id);
  const [a, b] = [stance(before), stance(after)];
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "auto minmax(0,1fr)" },
        alignItems: "start",
      }}
    >
      <Box sx={{ overflowX: "auto" }}>
        <Box component="table" sx={{ borderCollapse: "collapse" }}>
          <caption style={{ textAlign: "left", paddingBottom: 4 }}>
            By station
          </caption>
          <thead>
            <tr>
              {["Station", "From", "To", "Rose"].map((h) => (
                <Box
                  component="th"
                  key={h}
                  scope="col"
                  sx={{ ...cell, color: "text.secondary" }}
                >
                  {h}
                </Box>
              ))}
            </tr>
          </thead>
          <tbody>
            {comparison.rises.map((r) => (
              <Box
                component="tr"
                key={r.station}
                sx={{ borderTop: 1, borderColor: "divider" }}
              >
                <Box
                  component="th"
                  scope="row"
                  sx={{ ...cell, fontWeight: 500 }}
                >
                  {stationWords(r.station)}
                </Box>
                {[a, b].map((s, i) => (
                  <Box component="td" key={i} sx={cell}>
                    <Length
                      mm={heightAt(s, r.station)?.height.value ?? 0}
                      unit={false}
                    />
                  </Box>
                ))}
                <Box
                  component="td"
                  sx={{ ...cell, fontWeight: 700, fontSize: "1.15rem" }}
                >
                  <ResultLength result={r.rise} signed />
                  {!r.decides && (
                    <Box component="span" sx={{ color: "warning.main" }}>
                      {" "}
                      ▲ informs only
                    </Box>
                  )}
                </Box>
              </Box>
            ))}
          </tbody>
        </Box>
        <Motions corners={comparison.corners} />
      </Box>
      <Box>
        <Typography variant="h2">What it says</Typography>
        {sentences.map((s) => (
          <Typography key={s} sx={{ mt: 0.75 }}>
            {s}
          </Typography>
        ))}
        {comparison.differences.length === 0 ? (
          <Typography sx={{ mt: 0.75 }}>
            ● Both were taken under the same conditions.
          </Typography>
        ) : (
          <>
            <Typography variant="h2" sx={{ mt: 2 }}>
              Not alike in
            </Typography>
            {comparison.differences.map((x) => (
              <Typography key={x.key} sx={{ mt: 0.5 }}>
                ▲ {x.says}
                {x.uMm > 0 && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    Adds ± {(2 * x.uMm).toFixed(0)} mm, a rule of thumb.
                  </Box>
                )}
              </Typography>
            ))}
          </>
        )}
      </Box>
    </Box>
  );
}

/** The body rose, the mounts and springs gave, the tyre did: shown where the hubs were measured too, or something lies between body and frame. */
function Motions({ corners }: { corners: Schemas["CornerMotion"][] }) {
  const known = corners.filter((c) => c.tyre.value !== null || c.mounts);
  const mounts = known.some((c) => c.mounts);
  if (known.length === 0) {
    return (
      <Typography color="text.secondary" sx={{ mt: 1.5, maxWidth: 460 }}>
        With hub heights before and after (other measures), this also tells what
        the springs gave and what the tyres did.
      </Typography>
    );
  }
  return (
    <Box component="table" sx={{ borderCollapse: "collapse", mt: 2 }}>
      <caption style={{ textAlign: "left", paddingBottom: 4 }}>
        Where it came from
      </caption>
      <thead>
        <tr>
          {[
            "Corner",
            "The body rose",
            ...(mounts ? ["Its mounts gave"] : []),
            "The springs gave",
            "The tyre did",
          ].map((h) => (
            <Box
              component="th"
              key={h}
              scope="col"
              sx={{ ...cell, color: "text.secondary" }}
            >
              {h}
            </Box>
          ))}
        </tr>
      </thead>
      <tbody>
        {known.map((c) => (
          <Box
            component="tr"
            key={c.corner}
            sx={{ borderTop: 1, borderColor: "divider" }}
          >
            <Box component="th" scope="row" sx={{ ...cell, fontWeight: 500 }}>
              {stationWords(c.corner)}
            </Box>
            {[
              c.body,
              ...(mounts ? [c.mounts ?? null] : []),
              c.springs,
              c.tyre,
            ].map((r, i) => (
              <Box component="td" key={i} sx={cell}>
                {r ? <ResultLength result={r} signed /> : "untouched"}
              </Box>
            ))}
          </Box>
        ))}
      </tbody>
    </Box>
  );
}
