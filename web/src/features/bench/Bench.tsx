import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as To, useParams, useSearchParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { ResultLength, useUnit } from "../../shared/Length";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { weightText } from "../../shared/quantity";
import { fieldLabel, fieldUnit } from "../../shared/suspensions";
import { useSuspensionKinds } from "../../shared/useKinds";
import { pivots } from "../vehicles/ShacklePivot";
import {
  drawnSays,
  exampleOf,
  inReadersUnit,
  jobOf,
  numberSays,
} from "./bench";
import { BenchDrawing } from "./BenchDrawing";
import { TemplateSheet } from "./TemplateSheet";

/** The single calculations without a job: each with its drawing, its link, and a way into a job. */
export default function Bench() {
  const { sheet: name = "rake" } = useParams();
  const sheets = useQuery({
    queryKey: ["bench"],
    queryFn: async () => must(await api.GET("/api/bench")),
    staleTime: Infinity,
  });
  const sheet = sheets.data?.find((s) => s.name === name);
  const choice = (s: Schemas["BenchSheet"]) => (
    <Button
      key={s.name}
      component={To}
      to={`/bench/${s.name}`}
      variant={s.name === name ? "contained" : "outlined"}
      aria-current={s.name === name ? "page" : undefined}
    >
      {s.said}
    </Button>
  );
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1180 }}
    >
      <Typography variant="h1">Calculator</Typography>
      <Typography color="text.secondary" sx={{ my: 1 }}>
        {sheet?.paper
          ? "Drawn on paper at full size, and proved before anything is cut by it."
          : "One number without a job."}{" "}
        The address of the page holds what you typed: send it to somebody and
        they see the same.
      </Typography>
      <Box
        component="nav"
        aria-label="Calculations"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}
      >
        {sheets.data
          ?.filter((s) => s.paper === (sheet?.paper ?? false))
          .map(choice)}
        <Button
          component={To}
          to={sheet?.paper ? "/bench" : "/bench/holes"}
          sx={{ textDecoration: "underline" }}
        >
          {sheet?.paper ? "Calculations" : "Templates on paper, full size"}
        </Button>
      </Box>
      {sheet ? (
        <Sheet key={sheet.name} sheet={sheet} />
      ) : (
        sheets.data && (
          <Typography sx={{ mt: 2 }}>There is no such sheet.</Typography>
        )
      )}
    </Box>
  );
}

function Sheet({ sheet }: { sheet: Schemas["BenchSheet"] }) {
  const mine = useUnit();
  const [query, setQuery] = useSearchParams();
  const unit =
    query.get("unit") === "in" ? "in" : query.has("unit") ? "mm" : mine;
  const kinds = useSuspensionKinds();
  // What was typed stands in the field at once; the address follows when it can.
  const [typed, setTyped] = useState(() => Object.fromEntries(query));
  const texts = Object.fromEntries(
    sheet.fields.map((f) => [f.name, typed[f.name] ?? exampleOf(f, unit)]),
  );
  const bars = sheet.fields.filter((f) => sheet.paper && barNames.test(f.name));
  const asked = new URLSearchParams({ unit, ...texts }).toString();
  const work = useQuery({
    queryKey: ["bench", sheet.name, asked],
    queryFn: async () =>
      must(
        await api.GET("/api/bench/{sheet}", {
          params: { path: { sheet: sheet.name } },
          querySerializer: () => asked,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const problem = work.error;
  const type = (name: string, value: string) => {
    const next = { ...texts, [name]: value };
    if (sheet.paper && !barNames.test(name)) {
      // What the bars of a print told holds for that print alone.
      for (const bar of bars) {
        next[bar.name] = "";
      }
    }
    setTyped(next);
    setQuery({ unit, ...next }, { replace: true });
  };
  const answer = problem ? undefined : work.data;
  const first = answer?.numbers[0];
  const sizes = sheet.fields.filter((f) => !bars.includes(f));
  const plain = (f: Schemas["BenchField"]) => (
    <TextField
      key={f.name}
      label={f.unit ? fieldLabel(f.label, fieldUnit(f.unit, unit)) : f.label}
      value={texts[f.name] ?? ""}
      placeholder={f.optional ? "may stay empty" : ""}
      onChange={(e) => {
        type(f.name, e.target.value);
      }}
      {...at(problem, f.name)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        mt: 2,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,1fr) minmax(0,1fr)",
        },
      }}
    >
      <Box>
        {sheet.fields.some((f) => f.asks === "point") && (
          <Typography color="text.secondary" sx={{ mb: 1.5 }}>
            Each point: forward of the wheel centre; outward from the middle; up
            from the floor. A semicolon between, rearward below zero.
          </Typography>
        )}
        <Box sx={grid}>
          {sizes.map((f) =>
            f.asks === "suspension" ? (
              <TextField
                key={f.name}
                select
                label={f.label}
                value={kinds.length > 0 ? texts[f.name] : ""}
                onChange={(e) => {
                  type(f.name, e.target.value);
                }}
                {...at(problem, f.name)}
              >
                {kinds.map((k) => (
                  <MenuItem key={k.kind} value={k.kind}>
                    {k.said}
                  </MenuItem>
                ))}
              </TextField>
            ) : f.asks === "shacklePivot" ? (
              <TextField
                key={f.name}
                select
                label={f.label}
                value={texts[f.name]}
                onChange={(e) => {
                  type(f.name, e.target.value);
                }}
                {...at(problem, f.name)}
              >
                {Object.entries(pivots).map(([pivot, said]) => (
                  <MenuItem key={pivot} value={pivot}>
                    {said}
                  </MenuItem>
                ))}
              </TextField>
            ) : (
              plain(f)
            ),
          )}
        </Box>
        {bars.length > 0 && (
          <>
            <Typography variant="h2" sx={{ mt: 2 }}>
              The bars, measured on the print
            </Typography>
            <Typography color="text.secondary" sx={{ mb: 1.5 }}>
              One across and one down at least, with a steel rule; the 100 mm
              bar or the one of 4 in.
            </Typography>
            <Box sx={grid}>{bars.map(plain)}</Box>
          </>
        )}
        {!(problem instanceof Problem && problem.field) && (
          <ProblemNote problem={problem} />
        )}
        <Box sx={{ mt: 2, display: "flex", flexWrap: "wrap", gap: 1 }}>
          {!sheet.paper && (
            <Button
              component={To}
              variant="outlined"
              to={`/take-in?${jobOf(sheet, texts).toString()}`}
            >
              Start a job with these
            </Button>
          )}
          <Link
            component={To}
            to={`/bench/${sheet.name}?${asked}`}
            sx={{ alignSelf: "center" }}
          >
            Link to these numbers
          </Link>
        </Box>
      </Box>
      <Box aria-live="polite">
        {first && (
          <>
            <Typography color="text.secondary">{first.label}</Typography>
            <Typography
              component="div"
              sx={{ fontSize: "2rem", fontWeight: 700 }}
            >
              <Answer result={first.result} paper={sheet.paper} />
            </Typography>
          </>
        )}
        {answer?.template ? (
          <TemplateSheet template={answer.template} name={sheet.name} />
        ) : (
          <BenchDrawing sheet={sheet.name} texts={texts} answer={answer} />
        )}
        <Box component="dl" sx={rest}>
          {answer?.numbers.slice(1).map((n) => (
            <Box key={n.label}>
              <Box component="dt" sx={{ color: "text.secondary" }}>
                {n.label}
              </Box>
              <Box component="dd" sx={{ m: 0, fontWeight: 700 }}>
                <Answer result={n.result} paper={sheet.paper} />
              </Box>
            </Box>
          ))}
        </Box>
        {answer?.says.slice(answer.template ? 1 : 0).map((s) => (
          <Typography key={s} color="text.secondary">
            {s}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

function Answer({
  result,
  paper,
}: {
  result: Schemas["Result"];
  /** Whether it stands on a template, which is drawn in millimetres. */
  paper: boolean;
}) {
  const unit = useUnit();
  return result.unit === "mm" && paper ? (
    drawnSays(result, unit)
  ) : result.unit === "mm" ? (
    <ResultLength result={result} />
  ) : result.unit === "kg" && result.value !== null ? (
    `${weightText(result.value, unit)}${result.u === null ? "" : ` ± ${weightText(2 * result.u, unit)}`}`
  ) : (
    numberSays(inReadersUnit(result, unit))
  );
}

/** Fields of the proof bars of a template. */
const barNames = /^(across|down)(Mm|In)$/;

const grid = {
  display: "grid",
  gap: 1.5,
  gridTemplateColumns: "repeat(auto-fill, minmax(200px, 1fr))",
  alignItems: "start",
};

const rest = {
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(220px, 1fr))",
  gap: 1.5,
  my: 2,
};
