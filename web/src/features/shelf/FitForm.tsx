import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { usePlatforms } from "../../shared/usePlatforms";
import { beginRule, ruleWords, type Rule, type RuleKind } from "./fit";
import { RuleFields } from "./RuleFields";

/** For which vehicles a part is: platforms with their years, and conditions. */
export function FitForm({
  fit,
  problem,
  onChange,
}: {
  fit: Schemas["PartFit"];
  problem: Error | null;
  onChange: (fit: Schemas["PartFit"]) => void;
}) {
  const platforms = usePlatforms().data ?? [];
  const why = problem instanceof Problem && problem.field === "fit";
  const set = (i: number, to: Partial<Schemas["FitPlatform"]> | null) => {
    onChange({
      ...fit,
      platforms: fit.platforms.flatMap((p, j) =>
        j !== i ? [p] : to ? [{ ...p, ...to }] : [],
      ),
    });
  };
  const rule = (i: number, to: Rule | null) => {
    onChange({
      ...fit,
      rules: fit.rules.flatMap((r, j) => (j !== i ? [r] : to ? [to] : [])),
    });
  };
  return (
    <Box
      component="fieldset"
      sx={{ gridColumn: "1 / -1", border: 0, p: 0, m: 0, minWidth: 0 }}
    >
      <Typography component="legend" sx={{ fontWeight: 600 }}>
        Fits
      </Typography>
      <Typography color="text.secondary" sx={{ fontSize: "0.92rem" }}>
        The platforms that you name are all that it fits. Name none, and it is
        offered everywhere with a mark that nobody knows.
      </Typography>
      <FormControlLabel
        control={
          <Switch
            checked={fit.anyPlatform}
            onChange={(e) => {
              onChange({
                ...fit,
                anyPlatform: e.target.checked,
                platforms: e.target.checked ? [] : fit.platforms,
              });
            }}
          />
        }
        label="Any platform, as far as the conditions go"
      />
      {fit.platforms.map((p, i) => (
        <Row
          key={i}
          onDrop={() => {
            set(i, null);
          }}
          what={p.name || "this platform"}
        >
          <Box sx={{ alignSelf: "center", fontWeight: 600 }}>{p.name}</Box>
          <Year
            label={`${p.name}, built from`}
            value={p.from}
            onChange={(from) => {
              set(i, { from });
            }}
          />
          <Year
            label={`${p.name}, built to`}
            value={p.to}
            onChange={(to) => {
              set(i, { to });
            }}
          />
        </Row>
      ))}
      {fit.notPlatforms.map((name, i) => (
        <Row
          key={name}
          what={`not ${name}`}
          onDrop={() => {
            onChange({
              ...fit,
              notPlatforms: fit.notPlatforms.filter((_, j) => j !== i),
            });
          }}
        >
          <Box sx={{ alignSelf: "center" }}>
            does not fit <b>{name}</b>
          </Box>
        </Row>
      ))}
      {fit.rules.map((r, i) => (
        <Row
          key={i}
          what={ruleWords[r.kind]}
          onDrop={() => {
            rule(i, null);
          }}
        >
          <Box sx={{ alignSelf: "center", fontWeight: 600 }}>
            {ruleWords[r.kind]}
          </Box>
          <RuleFields
            rule={r}
            onChange={(to) => {
              rule(i, to);
            }}
          />
        </Row>
      ))}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        {!fit.anyPlatform && (
          <Choose
            label="Fits a platform"
            options={platforms.map((p) => [p.name, p.name])}
            onChoose={(name) => {
              onChange({
                ...fit,
                platforms: [...fit.platforms, { name, from: null, to: null }],
              });
            }}
          />
        )}
        <Choose
          label="Does not fit a platform"
          options={platforms
            .filter((p) => !fit.notPlatforms.includes(p.name))
            .map((p) => [p.name, p.name])}
          onChoose={(name) => {
            onChange({ ...fit, notPlatforms: [...fit.notPlatforms, name] });
          }}
        />
        <Choose
          label="A condition"
          options={Object.entries(ruleWords)}
          onChoose={(kind) => {
            onChange({
              ...fit,
              rules: [...fit.rules, beginRule[kind as RuleKind]()],
            });
          }}
        />
      </Box>
      {why && (
        <Typography role="alert" sx={{ color: "error.main", mt: 1 }}>
          {problem.message}
        </Typography>
      )}
    </Box>
  );
}

/** A list from which one thing is taken at a time. */
function Choose({
  label,
  options,
  onChoose,
}: {
  label: string;
  options: [key: string, said: string][];
  onChoose: (key: string) => void;
}) {
  return (
    <TextField
      select
      label={label}
      size="small"
      value=""
      onChange={(e) => {
        onChoose(e.target.value);
      }}
      fullWidth={false}
      sx={{ minWidth: 230 }}
    >
      {options.length === 0 && (
        <MenuItem disabled value="">
          The list is empty
        </MenuItem>
      )}
      {options.map(([key, said]) => (
        <MenuItem key={key} value={key}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
}

function Row({
  what,
  onDrop,
  children,
}: {
  what: string;
  onDrop: () => void;
  children: React.ReactNode;
}) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
      {children}
      <Button aria-label={`Take out: ${what}`} onClick={onDrop}>
        Take out
      </Button>
    </Box>
  );
}

function Year({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (year: number | null) => void;
}) {
  return (
    <TextField
      type="number"
      label={label}
      size="small"
      value={value ?? ""}
      onChange={(e) => {
        onChange(e.target.value === "" ? null : Number(e.target.value));
      }}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: 190 }}
    />
  );
}
