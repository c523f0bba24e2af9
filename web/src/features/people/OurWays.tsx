import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { useShopFits } from "../fitting/earlier";
import { figureText, titleOf } from "../geometry/geometry";

/** How the shop fits and how much of what a lift moves it leaves alone: for jobs that are taken in from now on. */
export function OurWays() {
  const fits = useShopFits().data;
  const [open, setOpen] = useState(false);
  return (
    <Box component="section">
      <details
        onToggle={(e) => {
          setOpen(e.currentTarget.open);
        }}
      >
        <summary>
          <Typography variant="h2" component="span">
            Ways of fitting, and limits
          </Typography>
        </summary>
        {open && fits && (
          <>
            <Typography color="text.secondary" sx={{ mt: 1, mb: 2 }}>
              Jobs that are taken in from now on begin with these. Torques and
              limits of the maker’s service information go before all of them.
            </Typography>
            <Questions fits={fits} />
            <Typography variant="h3" sx={{ mt: 3, mb: 1 }}>
              Left alone within
            </Typography>
            {fits.limits.map((l) => (
              <Limit key={l.rule.kind} limit={l} />
            ))}
          </>
        )}
      </details>
    </Box>
  );
}

function Questions({ fits }: { fits: Schemas["HowTheShopFits"] }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Error | null>(null);
  const choose = async (school: string, choice: string) => {
    setProblem(null);
    try {
      await shop({
        kind: "setShopWays",
        id: fits.ways?.id ?? v7(),
        version: fits.version,
        torqueBand:
          fits.ways?.torqueBand == null ? null : 100 * fits.ways.torqueBand,
        ways: fits.questions
          .map((q) => (q.school === school ? { ...q, choice, why: null } : q))
          .filter((q) => q.choice !== q.ways[0]?.choice)
          .map((q) => ({ school: q.school, choice: q.choice, why: q.why })),
      });
    } catch (e) {
      setProblem(asError(e));
    }
    await client.invalidateQueries({ queryKey: ["shop-fits"] });
  };
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: "repeat(auto-fill, minmax(320px, 1fr))",
      }}
    >
      {fits.questions.map((q) => (
        <TextField
          key={q.school}
          select
          label={q.asks}
          value={q.choice}
          helperText={q.ways.find((w) => w.choice === q.choice)?.disturbs}
          onChange={(e) => void choose(q.school, e.target.value)}
        >
          {q.ways.map((w) => (
            <MenuItem key={w.choice} value={w.choice}>
              {w.said}
            </MenuItem>
          ))}
        </TextField>
      ))}
      <ProblemNote problem={problem} />
    </Box>
  );
}

function Limit({ limit }: { limit: Schemas["ShopLimit"] }) {
  const client = useQueryClient();
  const unit = useUnit();
  const { rule, own } = limit;
  const title = titleOf({ kind: rule.kind, where: "vehicle" });
  const asked = rule.unit === "mm" ? unit : rule.unit;
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  const keep = async () => {
    setProblem(null);
    try {
      await shop({
        kind: "keepLimit",
        id: v7(),
        of: rule.kind,
        most: typed(text, asked, "told"),
      });
      setText("");
    } catch (e) {
      setProblem(asError(e));
    }
    await client.invalidateQueries({ queryKey: ["shop-fits"] });
  };
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1,
        alignItems: "start",
        gridTemplateColumns: { xs: "1fr", sm: "1fr 170px 80px" },
        borderTop: 1,
        borderColor: "divider",
        py: 1,
      }}
    >
      <Box>
        <b>
          {title.charAt(0).toUpperCase() + title.slice(1)},{" "}
          {rule.least ? "at least " : ""}
          {figureText(own ?? rule.most, rule.unit, unit)}
        </b>
        <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
          {own === null
            ? `a rule of thumb: ${rule.from}`
            : `our own limit; the rule of thumb is ${figureText(rule.most, rule.unit, unit)}: ${rule.from}`}
        </Box>
        {!at(problem, "most").error && <ProblemNote problem={problem} />}
      </Box>
      <TextField
        size="small"
        label={`Another, ${asked === "1" ? "of 100" : asked}`}
        slotProps={{
          htmlInput: {
            "aria-label": `Another, ${asked === "1" ? "of 100" : asked}: ${title}`,
          },
        }}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
        }}
        {...at(problem, "most")}
      />
      <Press
        size="small"
        aria-label={`${text.trim() === "" && own !== null ? "Rule again" : "Keep"}: ${title}`}
        disabled={text.trim() === "" && own === null}
        act={keep}
      >
        {text.trim() === "" && own !== null ? "Rule again" : "Keep"}
      </Press>
    </Box>
  );
}
