import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { ResultLength } from "../../shared/Length";
import { cornerWords } from "../../shared/quantity";
import { oddsSays } from "../../shared/chance";
import { saidOf } from "../geometry/geometry";
import { curesSay } from "./cures";

/** One stack: what it does, how likely it lands, what it takes, and why it stands where it stands. */
export function FoundRow({
  found: s,
  title,
  onBand,
  onTake,
}: {
  found: Schemas["FoundView"];
  title: string;
  onBand: (prediction: Schemas["Prediction"] | null) => void;
  onTake?: (found: Schemas["FoundView"]) => void;
}) {
  const show = () => {
    onBand(s.prediction);
  };
  const hide = () => {
    onBand(null);
  };
  const used = s.most
    ? `${Math.round(s.most.use.share * 100).toString()} % of ${s.most.use.what}, ${(cornerWords[s.most.corner] ?? s.most.corner).toLowerCase()}`
    : null;
  const takes = [
    s.opened.length === 0
      ? "nothing is opened"
      : `opens ${s.opened.join(" and ")}`,
    `${s.hours.toFixed(1)} h${s.hoursGuessed ? " (partly a rule of thumb)" : ""}`,
    s.money > 0
      ? `${money(s.money, s.currency)}${s.moneyGuessed ? " (partly the median of its kind)" : ""}`
      : null,
    used,
  ].filter(Boolean);
  return (
    <Box
      component="li"
      onMouseEnter={show}
      onMouseLeave={hide}
      onFocus={show}
      onBlur={hide}
      sx={{
        display: "grid",
        gridTemplateColumns: {
          xs: "1fr",
          sm: "130px minmax(0, 1fr) auto",
        },
        columnGap: 2,
        rowGap: 0.5,
        alignItems: "center",
        py: 1,
        borderTop: 1,
        borderColor: "divider",
      }}
    >
      <Box>
        <Typography color="text.secondary" sx={{ fontSize: "0.85rem" }}>
          {title}
        </Typography>
        <Typography sx={{ fontSize: "1.25rem", fontWeight: 700 }}>
          {oddsSays(s.chance)}
        </Typography>
        <Meter share={s.chance} />
      </Box>
      <Box>
        <Typography sx={{ fontWeight: 700 }}>
          {s.touches.length === 0 ? "Leave it as it is" : s.touches.join(" · ")}
        </Typography>
        <Typography component="div">
          rake <ResultLength result={s.prediction.rake} signed /> · front{" "}
          <ResultLength result={s.prediction.frontRise} signed /> · rear{" "}
          <ResultLength result={s.prediction.rearRise} signed />
        </Typography>
        <Typography color="text.secondary" sx={{ fontSize: "0.9rem" }}>
          {takes.join(" · ")}
        </Typography>
        <Typography sx={{ fontSize: "0.95rem" }}>
          On the whole <b>{s.expectedHours.toFixed(1)} h</b>
          {s.expectedMoney > 0 && (
            <>
              {" "}
              and <b>{money(s.expectedMoney, s.currency)}</b>
            </>
          )}
          , with another try if it misses
        </Typography>
        {s.toBuy.length > 0 && (
          <Typography sx={{ fontSize: "0.9rem" }}>
            To buy: {s.toBuy.join(", ")}
          </Typography>
        )}
        {s.irreversible.map((what) => (
          <Typography key={what} sx={{ fontSize: "0.9rem", fontWeight: 600 }}>
            ▲ Not undone again: {what}
          </Typography>
        ))}
        {s.beyond.length > 0 && (
          <Typography sx={{ fontSize: "0.9rem", color: "warning.main" }}>
            ▲ Geometry beyond its limit:{" "}
            {s.beyond.map((m) => saidOf(m)).join(", ")}
          </Typography>
        )}
        {(s.prediction.misfits ?? []).map((m) => (
          <Typography
            key={`${m.where} ${m.part} ${m.says}`}
            sx={{
              fontSize: "0.9rem",
              color: m.known ? "warning.main" : "text.primary",
            }}
          >
            {m.known ? "▲" : "?"} {m.part}: {m.says}
          </Typography>
        ))}
        {s.cures.length > 0 && (
          <Typography sx={{ fontSize: "0.9rem" }}>
            {curesSay(s.cures, (amount) => money(amount, s.currency))}
          </Typography>
        )}
        {s.stopped && (
          <Typography sx={{ color: "error.main", fontWeight: 600 }}>
            ■ {s.stopped}
          </Typography>
        )}
        {s.why && (
          <Typography color="text.secondary" sx={{ fontSize: "0.9rem" }}>
            Behind the one above: {s.why}.
          </Typography>
        )}
      </Box>
      {onTake && s.touches.length > 0 && (
        <Button
          variant="outlined"
          aria-label={`Take as a plan: ${title}`}
          onClick={() => {
            onTake(s);
          }}
        >
          Take as a plan
        </Button>
      )}
    </Box>
  );
}

const money = (amount: number, currency: string | null) =>
  `${amount.toFixed(0)} ${currency ?? ""}`.trim();

/** A chance as a length, for the eye; the words beside it say the same. */
function Meter({ share }: { share: number }) {
  return (
    <Box
      aria-hidden
      sx={{ height: 6, bgcolor: "divider", maxWidth: 120, mt: 0.25 }}
    >
      <Box
        sx={{
          height: 6,
          width: `${(share * 100).toString()}%`,
          bgcolor: "secondary.main",
        }}
      />
    </Box>
  );
}
