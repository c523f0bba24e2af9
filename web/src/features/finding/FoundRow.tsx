import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { currentStage, speaks } from "../../api/document";
import { useJob } from "../../api/job";
import { ResultLength } from "../../shared/Length";
import { cornerWords } from "../../shared/quantity";
import { oddsSays } from "../../shared/chance";
import { saidOf } from "../geometry/geometry";
import { RakeWedge } from "../stance/RakeWedge";
import { lineOf, plannedLine, shapeOf } from "../stance/vehicle";
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
  const view = useJob();
  const shape = shapeOf(view.document.vehicle);
  const now = speaks(view, currentStage(view.document).id);
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
      sx={{ py: 1, borderTop: 1, borderColor: "divider" }}
    >
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "minmax(0, 1fr) minmax(90px, 130px)",
          columnGap: 2,
          alignItems: "center",
        }}
      >
        <Box>
          <Typography sx={{ fontSize: "1.2rem", fontWeight: 700 }}>
            <Box
              component="span"
              sx={{ fontSize: "0.85rem", fontWeight: 400, mr: 1 }}
            >
              {title}
            </Box>
            {oddsSays(s.chance)}
          </Typography>
          <Typography>
            On the whole <b>{s.expectedHours.toFixed(1)} h</b>
            {s.expectedMoney > 0 && (
              <>
                {" "}
                and <b>{money(s.expectedMoney, s.currency)}</b>
              </>
            )}
          </Typography>
        </Box>
        <Box>
          <RakeWedge
            before={null}
            now={lineOf(now, shape)}
            plan={plannedLine(s.prediction, shape)}
            small
          />
          <Meter share={s.chance} />
        </Box>
      </Box>
      <Typography sx={{ fontWeight: 700, lineHeight: 1.3 }}>
        {s.touches.length === 0 ? "Leave it as it is" : s.touches.join(" · ")}
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
      {s.cures.length > 0 && (
        <Typography sx={{ fontSize: "0.9rem" }}>
          {curesSay(s.cures, (amount) => money(amount, s.currency))}
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
      {s.stopped && (
        <Typography sx={{ color: "error.main", fontWeight: 600 }}>
          ■ {s.stopped}
        </Typography>
      )}
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          justifyContent: "space-between",
          alignItems: "start",
          columnGap: 1,
        }}
      >
        <Box
          component="details"
          sx={{ flex: "1 1 200px", fontSize: "0.92rem" }}
        >
          <Box
            component="summary"
            sx={{ cursor: "pointer", minHeight: 48, pt: 1.5 }}
          >
            {s.why ? `Behind the one above: ${s.why}` : "What it takes"}
          </Box>
          <div>
            rake <ResultLength result={s.prediction.rake} signed /> · front{" "}
            <ResultLength result={s.prediction.frontRise} signed /> · rear{" "}
            <ResultLength result={s.prediction.rearRise} signed />
          </div>
          <Box sx={{ color: "text.secondary" }}>{takes.join(" · ")}</Box>
          <div>On the whole counts another try if it misses.</div>
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
    </Box>
  );
}

const money = (amount: number, currency: string | null) =>
  `${amount.toFixed(0)} ${currency ?? ""}`.trim();

/** A chance as a length, for the eye; the words beside it say the same. */
/** A chance as a length. */
function Meter({ share }: { share: number }) {
  return (
    <Box aria-hidden sx={{ height: 6, bgcolor: "divider" }}>
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
