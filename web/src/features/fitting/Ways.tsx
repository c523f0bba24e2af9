import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { shop, useSend } from "../../api/job";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { useShopFits, useWays } from "./earlier";

/** The ways that good fitters differ on: this job's choice, and what each disturbs. The card follows at once. */
export function Ways() {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState("");
  const { data: ways = [], error } = useWays(open);
  return (
    <Box component="section" sx={{ mt: 2 }}>
      <details
        onToggle={(e) => {
          setOpen(e.currentTarget.open);
        }}
      >
        <summary>
          <Typography variant="h2" component="span">
            Ways of fitting on this job
          </Typography>
        </summary>
        <Box sx={{ display: "grid", gap: 1.25, mt: 1 }}>
          <ProblemNote problem={error} />
          <TextField
            label="Why, for a way that you choose now"
            value={why}
            onChange={(e) => {
              setWhy(e.target.value);
            }}
          />
          {ways.map((way) => (
            <Way
              key={way.school}
              way={way}
              why={why}
              onChosen={() => {
                setWhy("");
              }}
            />
          ))}
          {open && <TheShops ways={ways} />}
        </Box>
      </details>
    </Box>
  );
}

/** This job's ways as the shop's, and its torque band: for jobs that are taken in from now on. */
function TheShops({ ways }: { ways: Schemas["FittingWay"][] }) {
  const client = useQueryClient();
  const fits = useShopFits().data;
  const [band, setBand] = useState<string | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const [kept, setKept] = useState(false);
  if (!fits) {
    return null;
  }
  const shown = band ?? Number((100 * fits.band).toFixed(2)).toString();
  const keep = async () => {
    setProblem(null);
    setKept(false);
    try {
      await shop({
        kind: "setShopWays",
        id: fits.ways?.id ?? v7(),
        version: fits.version,
        ways: [
          // Of what this card does not ask about, the shop's own ways stay.
          ...(fits.ways?.ways ?? []).filter((own) =>
            ways.every((w) => w.school !== own.school),
          ),
          ...ways
            .filter((w) => w.choice !== w.ways[0]?.choice)
            .map((w) => ({ school: w.school, choice: w.choice, why: w.why })),
        ],
        torqueBand:
          shown.trim() === "" ? null : Number(shown.replace(",", ".")),
      });
      setKept(true);
      setBand(null);
    } catch (e) {
      setProblem(asError(e));
    }
    await client.invalidateQueries({ queryKey: ["shop-fits"] });
  };
  return (
    <Box sx={{ borderTop: 1, borderColor: "divider", pt: 1 }}>
      <Typography color="text.secondary" sx={{ mb: 1 }}>
        {fits.ways && fits.ways.ways.length > 0
          ? `The shop has ${fits.ways.ways.length.toString()} ways of its own.`
          : "The shop has no ways of its own yet: the safer one counts."}{" "}
        Jobs that are taken in from now on take the shop&apos;s along.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, alignItems: "start" }}>
        <TextField
          label="Ask why, beyond ± in 100"
          value={shown}
          sx={{ width: 190 }}
          onChange={(e) => {
            setBand(e.target.value);
          }}
          {...at(problem, "torqueBand")}
        />
        <Press variant="outlined" act={keep}>
          Keep these as the shop&apos;s
        </Press>
      </Box>
      {kept && <Typography role="status">✓ Kept.</Typography>}
      {!at(problem, "torqueBand").error && <ProblemNote problem={problem} />}
    </Box>
  );
}

function Way({
  way,
  why,
  onChosen,
}: {
  way: Schemas["FittingWay"];
  why: string;
  onChosen: () => void;
}) {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const choose = async (choice: string) => {
    setProblem(null);
    try {
      await send(
        {
          kind: "chooseSchool",
          id: v7(),
          school: way.school,
          choice,
          why: why || null,
        },
        way.asks,
      );
      onChosen();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box>
      <TextField
        select
        fullWidth
        label={way.asks}
        value={way.choice}
        helperText={`${way.ways.find((w) => w.choice === way.choice)?.disturbs ?? ""}${way.why ? ` · ${way.why}${way.by ? `, ${way.by}` : ""}` : ""}`}
        onChange={(e) => void choose(e.target.value)}
      >
        {way.ways.map((w) => (
          <MenuItem key={w.choice} value={w.choice}>
            {w.said}
          </MenuItem>
        ))}
      </TextField>
      <ProblemNote problem={problem} />
    </Box>
  );
}
