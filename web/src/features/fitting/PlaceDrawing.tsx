import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { pointOf, size, split, viewOf, type View } from "./place";

const live: Schemas["SuspensionKind"][] = [
  "coilFourLink",
  "coilRadiusArm",
  "coilOverAxle",
  "leafOverslung",
  "leafUnderslung",
];

/** The place of a step: its members, its joints by number and state, what stands under it, which way energy goes. */
export function PlaceDrawing({ step }: { step: Schemas["CardStep"] }) {
  const view = useJob();
  const stage = view.document.stages.find(
    (s) => s.id === view.document.plans.find((p) => p.begunAt)?.fromStageId,
  );
  const kindAt = (end: "front" | "rear") =>
    (end === "front" ? stage?.front.kind : stage?.rear.kind) ?? "coilOverArm";
  const shown = viewOf(step, (end) => live.includes(kindAt(end)));
  if (!shown) {
    return null;
  }
  const numbered = [...step.opens, ...step.loosens, ...step.joints];
  const where = numbered[0] ? split(numbered[0])[0] : step.where;
  const end = where === "front" || where.endsWith("F") ? "front" : "rear";
  const kind = kindAt(end);
  const air = stage?.[end].medium === "air";
  const ours = view.card.joints.filter((j) =>
    shown === "corner"
      ? j.where === where
      : shown === "axle"
        ? j.where === end ||
          (end === "front" ? /^[LR]F$/ : /^[LR]R$/).test(j.where)
        : / mount to frame/.test(j.place),
  );
  const loose = new Set(view.fitting.loose);
  const under = view.fitting.board.filter(
    (l) =>
      l.where === where ||
      l.where === end ||
      (shown === "axle" && l.where.endsWith(end === "front" ? "F" : "R")),
  );
  const carried = (what: RegExp) =>
    under.some((l) => l.carries.some((c) => what.test(c)));
  const right = shown === "corner" && where.startsWith("R");
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${where}: ${numbered.length > 0 ? numbered.map((p, i) => `${(i + 1).toString()} ${p}`).join(", ") : step.title}`}
      viewBox={`0 0 ${size.width.toString()} ${size.height.toString()}`}
      sx={{
        width: { xs: "100%", sm: 230 },
        maxWidth: 360,
        display: "block",
        alignSelf: "start",
        color: "text.primary",
        "& .member": {
          stroke: "currentColor",
          strokeWidth: 5,
          fill: "none",
          strokeLinecap: "round",
          opacity: 0.32,
        },
        "& .body": {
          stroke: "currentColor",
          strokeWidth: 2,
          fill: "none",
          opacity: 0.5,
        },
        "& .jack": { fill: "currentColor", opacity: 0.75 },
        "& .strap": {
          stroke: "currentColor",
          strokeWidth: 2,
          strokeDasharray: "5 4",
          fill: "none",
        },
        "& .other": {
          stroke: "currentColor",
          strokeWidth: 1.5,
          fill: (t) => (t.vars ?? t).palette.background.paper,
        },
        "& .tight": { fill: "currentColor" },
        "& .now": {
          fill: (t) => (t.vars ?? t).palette.primary.main,
          stroke: "none",
        },
        "& .number": {
          fill: (t) => (t.vars ?? t).palette.primary.contrastText,
          fontSize: 12,
          fontWeight: 800,
          textAnchor: "middle",
        },
        "& .energy": {
          stroke: (t) => (t.vars ?? t).palette.error.main,
          strokeWidth: 3,
          fill: "none",
        },
      }}
    >
      <g
        transform={
          right
            ? `translate(${size.width.toString()} 0) scale(-1 1)`
            : undefined
        }
      >
        {shown === "corner" && <CornerMembers kind={kind} air={air} />}
        {shown === "axle" && <AxleMembers kind={kind} air={air} />}
        {shown === "body" && <BodyMembers />}
        {shown === "corner" && carried(/jack/) && <Jack x={128} y={206} />}
        {shown === "corner" && carried(/strap|tie/) && (
          <path className="strap" d="M80 110 Q110 60 196 40" />
        )}
        {shown === "axle" && carried(/jack/) && (
          <>
            <Jack x={78} y={192} />
            <Jack x={242} y={192} />
          </>
        )}
        {shown === "axle" &&
          under.some((l) => l.y.some((s) => s.includes("straps"))) && (
            <path className="strap" d="M90 176 L206 84 M230 176 L114 84" />
          )}
        {step.holdFor === "energy" && shown !== "body" && (
          <path
            className="energy"
            d={
              shown === "corner"
                ? "M168 96 v60 m-8 -12 l8 14 l8 -14"
                : "M118 92 v60 m-8 -12 l8 14 l8 -14 M202 92 v60 m-8 -12 l8 14 l8 -14"
            }
          />
        )}
      </g>
      {ours
        .filter((j) => !numbered.includes(j.place))
        .map((j) => {
          const p = pointOf(j.place, shown);
          return p ? (
            <circle
              key={j.place}
              className={loose.has(j.place) ? "other" : "other tight"}
              cx={p.x}
              cy={p.y}
              r={4}
            />
          ) : null;
        })}
      {numbered.map((place, i) => {
        const p = pointOf(place, shown);
        return p ? (
          <g key={place}>
            <circle className="now" cx={p.x} cy={p.y} r={9.5} />
            <text className="number" x={p.x} y={p.y + 4}>
              {i + 1}
            </text>
          </g>
        ) : null;
      })}
    </Box>
  );
}

function Jack({ x, y }: { x: number; y: number }) {
  return (
    <path
      className="jack"
      d={`M${(x - 8).toString()} ${y.toString()} h16 v4 h-5 l9 18 h-24 l9 -18 h-5 z`}
    />
  );
}

interface Sprung {
  kind: Schemas["SuspensionKind"];
  /** Whether air takes the coil's place. */
  air: boolean;
}

/** One corner seen from its end, outboard on the left. */
function CornerMembers({ kind, air }: Sprung) {
  const bar = kind === "torsionBarArm";
  const own = kind === "multiLink" || kind === "transverseLeaf" || bar;
  return (
    <>
      <rect className="body" x={14} y={92} width={40} height={116} rx={8} />
      <path className="body" d="M118 24 h86 v22 h24 v176 h-20" />
      {kind === "trailingArm" ? (
        <path className="member" d="M56 150 L214 196" />
      ) : (
        <>
          <path className="member" d="M78 92 L62 150 L84 192" />
          <path className="member" d="M84 192 L214 196" />
        </>
      )}
      {(kind === "coilOverArm" || kind === "multiLink" || bar) && (
        <path className="member" d="M78 92 L196 86" />
      )}
      {kind === "strut" ? (
        <>
          <path className="member" d="M84 128 L158 46" />
          {air && <Bellows x={132} top={60} bottom={110} />}
        </>
      ) : own ? (
        <>
          <path className="member" d="M120 194 L126 58" />
          {kind === "multiLink" ? (
            <Spring air={air} x={168} top={96} bottom={186} />
          ) : bar ? (
            <>
              <circle className="body" cx={214} cy={196} r={12} />
              <path className="member" d="M214 196 L262 206" />
              <path className="body" d="M262 190 V226" />
            </>
          ) : (
            <path className="member" d="M140 176 Q200 150 228 148" />
          )}
        </>
      ) : (
        <>
          <path className="member" d="M140 192 L158 46" />
          <Spring air={air} x={151} top={66} bottom={142} />
        </>
      )}
    </>
  );
}

/** A whole axle seen from behind. */
function AxleMembers({ kind, air }: Sprung) {
  const leaf = kind === "leafOverslung" || kind === "leafUnderslung";
  return (
    <>
      {[18, 270].map((x) => (
        <rect
          key={x}
          className="body"
          x={x}
          y={122}
          width={32}
          height={104}
          rx={8}
        />
      ))}
      <path
        className="body"
        d="M98 40 h124 M98 40 v40 h36 v-40 M222 40 v40 h-36 v-40"
      />
      {live.includes(kind) && (
        <>
          <path className="member" d="M52 176 H268" />
          <circle className="body" cx={160} cy={176} r={24} />
        </>
      )}
      {!live.includes(kind) && (
        <>
          <path className="member" d="M56 196 L128 200 M264 196 L192 200" />
          <circle className="body" cx={160} cy={160} r={20} />
        </>
      )}
      {[118, 202].map((x) =>
        leaf ? (
          <path
            key={x}
            className="member"
            d={`M${x.toString()} ${kind === "leafOverslung" ? "158 v-10" : "194 v10"} M${(x - 12).toString()} 122 v24`}
          />
        ) : kind === "torsionBarArm" ? (
          <circle
            key={x}
            className="body"
            cx={x + (x < 160 ? 10 : -10)}
            cy={200}
            r={9}
          />
        ) : (
          <Spring key={x} air={air} x={x} top={86} bottom={168} />
        ),
      )}
      {live.includes(kind) && !leaf && (
        <path className="member" d="M92 164 L214 92" />
      )}
      <path className="member" d="M84 184 L104 70 M236 184 L216 70" />
    </>
  );
}

/** Body over frame seen from the left; the far side's mounts stand above. */
function BodyMembers() {
  return (
    <>
      <path className="member" d="M20 166 H300" />
      <path
        className="body"
        d="M24 140 V84 h60 l20 -40 h70 v96 z M184 140 V84 h112 v56 z"
      />
      <circle className="body" cx={70} cy={196} r={26} />
      <circle className="body" cx={244} cy={196} r={26} />
    </>
  );
}

interface Upright {
  x: number;
  top: number;
  bottom: number;
}

function Spring({ air, ...at }: Upright & { air: boolean }) {
  return air ? <Bellows {...at} /> : <Coil {...at} />;
}

function Bellows({ x, top, bottom }: Upright) {
  const half = (bottom - top) / 2;
  const lobe = (from: number, side: number) =>
    `M${(x + side * 14).toString()} ${from.toString()} q${(side * 12).toString()} ${(half / 2).toString()} 0 ${half.toString()}`;
  return (
    <path
      className="body"
      d={`M${(x - 14).toString()} ${top.toString()} h28 M${(x - 14).toString()} ${bottom.toString()} h28 ${[top, top + half].flatMap((y) => [lobe(y, -1), lobe(y, 1)]).join(" ")}`}
    />
  );
}

function Coil({ x, top, bottom }: Upright) {
  const turns = 5;
  const step = (bottom - top) / turns;
  const d = Array.from(
    { length: turns },
    (_, i) =>
      `M${(x - 13).toString()} ${(top + i * step).toString()} L${(x + 13).toString()} ${(top + (i + 0.5) * step).toString()} L${(x - 13).toString()} ${(top + (i + 1) * step).toString()}`,
  ).join(" ");
  return <path className="body" d={d} />;
}

export type { View };
