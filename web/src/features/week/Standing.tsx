import Box from "@mui/material/Box";
import visuallyHidden from "@mui/utils/visuallyHidden";
import type { KeyboardEvent } from "react";
import { useInks } from "../../shared/theme";
import { clock, weekdayText } from "../../shared/time";
import { extent, SideDrawing } from "../stance/SideDrawing";
import { lineAbove, shapeOf } from "../stance/vehicle";
import type { Acts } from "./Lanes";
import {
  initials,
  placeOf,
  share,
  spanOf,
  type Block,
  type View,
  type Week,
} from "./week";

/** A vehicle on the ground line for as long as it is worked on, with how far that may slip. */
export function Standing({
  block: b,
  view,
  week,
  acts,
}: {
  block: Block;
  view: View;
  week: Week;
  acts: Acts;
}) {
  const inks = useInks();
  const { from, until, late } = spanOf(b);
  const put = acts.puts[b.job];
  const laid = placeOf(from, week, view.hours);
  const left = put ? placeOf(put.at, week, view.hours) : laid;
  // Until it is laid out anew it keeps its length.
  const right = left + placeOf(until, week, view.hours) - laid;
  const slip = left + placeOf(late, week, view.hours) - laid;
  const chosen = acts.chosen === b.job;
  const says = b.plan?.says ?? [];
  const held = b.plan?.when.foretold === false;
  const ink = held ? inks.again : chosen ? inks.marker : inks.ink;
  const people = b.booking.people
    .map((p) => view.people.find((x) => x.id === p)?.name)
    .filter((n) => n !== undefined);
  const keys = (e: KeyboardEvent) => {
    const [minutes, bays] = {
      ArrowLeft: [-60, 0],
      ArrowRight: [60, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    }[e.key] ?? [0, 0];
    if (e.shiftKey && minutes !== bays) {
      e.preventDefault();
      acts.onNudge(b, minutes ?? 0, bays ?? 0);
    }
  };
  return (
    <Box
      component="li"
      sx={{
        position: "absolute",
        left: share(left),
        width: `max(${share(right - left)}, 30px)`,
        top: 0,
        bottom: 0,
      }}
    >
      {!held && b.plan && slip > right && (
        <Box
          aria-hidden
          sx={{
            position: "absolute",
            left: "100%",
            bottom: 34,
            height: 10,
            // A share of the lane, told from a share of the block.
            width: `${((100 * (slip - right)) / Math.max(right - left, 1e-3)).toFixed(1)}%`,
            background: `repeating-linear-gradient(135deg, ${inks.soft} 0 2px, transparent 2px 6px)`,
          }}
        />
      )}
      <Box
        component="button"
        type="button"
        {...(b.doneAt === null && acts.hold(b.job, b.name))}
        aria-pressed={chosen}
        onClick={() => {
          acts.onChoose(b.job);
        }}
        onKeyDown={keys}
        sx={{
          font: "inherit",
          color: "inherit",
          background: "none",
          border: 0,
          p: 0,
          width: "100%",
          height: "100%",
          display: "block",
          textAlign: "left",
          cursor: "pointer",
          position: "relative",
          "&:focus-visible": { outline: `3px solid ${inks.marker}` },
        }}
      >
        <Vehicle block={b} />
        <Box
          aria-hidden
          sx={{
            position: "absolute",
            insetInline: 0,
            bottom: 34,
            height: 10,
            border: `2px ${held ? "dashed" : "solid"} ${ink}`,
            bgcolor:
              b.plan?.goesOn === true && !held ? ink : "background.default",
          }}
        />
        <Box
          sx={{
            position: "absolute",
            insetInline: 0,
            bottom: 0,
            height: 31,
            overflow: "hidden",
            whiteSpace: "nowrap",
            fontSize: "0.8rem",
            lineHeight: 1.15,
          }}
        >
          <b>
            {says.length > 0 && (
              <Box component="span" sx={{ color: inks.again }}>
                ▲{" "}
              </Box>
            )}
            {b.doneAt !== null && "✓ "}
            {b.name}
          </b>
          <br />
          {b.plan?.goesOn ? "begun ·" : clock(from.minute)}{" "}
          {people.map(initials).join(" + ")}
          <span style={visuallyHidden}>
            {[
              `: ${weekdayText(from.day)} ${clock(from.minute)} to ${weekdayText(until.day)} ${clock(until.minute)}`,
              people.join(", ") || "nobody",
              ...says,
              b.plan?.slip ?? "",
            ].join(". ")}
          </span>
        </Box>
      </Box>
    </Box>
  );
}

function Vehicle({ block: b }: { block: Block }) {
  const shape = shapeOf(b.facts.vehicle);
  const body = lineAbove(b.facts.now, shape) ??
    lineAbove(b.facts.before, shape) ?? {
      front: shape.loaded + 520,
      rear: shape.loaded + 560,
    };
  const box = extent(shape);
  const scale = 150 / (box.right - box.left);
  return (
    <svg
      viewBox="0 0 160 66"
      aria-hidden
      preserveAspectRatio="xMinYMax meet"
      style={{
        position: "absolute",
        left: 0,
        bottom: 46,
        width: "100%",
        maxWidth: 160,
        height: 82,
        display: "block",
      }}
    >
      <SideDrawing
        shape={shape}
        body={body}
        scale={scale}
        x0={80 - ((box.left + box.right) / 2) * scale}
        ground={65}
      />
    </svg>
  );
}
