import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import visuallyHidden from "@mui/utils/visuallyHidden";
import type { Schemas } from "../../api/client";
import { Length } from "../../shared/Length";
import { oddsSays } from "../../shared/chance";
import { Check } from "./Check";
import type { CheckNotes } from "./useCheckNotes";
import { checkOf, classWords, patternBars } from "./pattern";

/** What may have moved it: each class of causes with its chance, how it would move the four corners, and what tells whether it is that. */
export function Causes({
  causes,
  notes,
  latest,
  above,
}: {
  causes: Schemas["Causes"];
  notes: CheckNotes;
  /** Whether this is the pass that is worked on: of an earlier one nothing is checked any more. */
  latest: boolean;
  /** The check that is what is done next. */
  above: Schemas["CauseCheck"] | undefined;
}) {
  const [first] = causes.classes;
  const shown = causes.classes.filter((c) => c.chance >= 0.02).slice(0, 6);
  return (
    <Box component="section" aria-label="What moved it" sx={{ my: 2 }}>
      <Typography variant="h2">What moved it</Typography>
      <Typography sx={{ mb: 1, maxWidth: 820 }}>
        {causes.named && first
          ? `Most likely: ${classWords(first)}.`
          : "The heights alone do not name one cause: the checks below tell them apart."}{" "}
        Beside each, from above with the nose to the left: what the corners
        stand off their plan, grey, and what it would make of them, black.
      </Typography>
      <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0, maxWidth: 820 }}>
        {shown.map((c) => (
          <Box
            component="li"
            key={c.causes.map((x) => `${x.kind} ${x.where}`).join()}
            sx={{
              display: "flex",
              gap: 2,
              borderTop: 1,
              borderColor: "divider",
              py: 1,
            }}
          >
            <Pattern pattern={c.causes[0]?.pattern ?? []} off={causes.off} />
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Box
                aria-hidden
                sx={{
                  height: 10,
                  width: `${(100 * c.chance).toFixed(1)}%`,
                  minWidth: 2,
                  bgcolor: "text.primary",
                  mb: 0.5,
                }}
              />
              <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
                {c.causes.slice(0, 3).map((x) => {
                  const check = checkOf(causes, x);
                  return (
                    <li key={`${x.kind} ${x.where}`}>
                      <b>
                        {oddsSays(x.chance)}: {x.said}
                      </b>
                      {check && (
                        <Check
                          check={check}
                          said={x.said ?? ""}
                          notes={notes}
                          latest={latest}
                          above={check === above}
                        />
                      )}
                    </li>
                  );
                })}
              </Box>
              {c.causes.length > 1 && (
                <Box sx={{ color: "text.secondary" }}>
                  These move the corners alike: no height tells them apart,
                  {` ${oddsSays(c.chance)}`} together.
                </Box>
              )}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** The four corners from above, each with what it stands off its plan and, bold, what the cause would make it. */
function Pattern({
  pattern,
  off,
}: {
  pattern: Schemas["OffPlan"][];
  off: Schemas["OffPlan"][];
}) {
  const bars = patternBars(off, pattern);
  return (
    <Box sx={{ flex: "none", width: { xs: 92, sm: 132 } }}>
      <svg viewBox="0 0 132 84" width="100%" aria-hidden>
        <path
          d="M30 8H102V76H30Z"
          fill="none"
          stroke="currentColor"
          opacity="0.35"
        />
        {bars.map((b) => (
          <g key={b.station}>
            <path d={b.base} stroke="currentColor" opacity="0.5" />
            <path
              d={b.off}
              stroke="currentColor"
              strokeWidth="3"
              opacity="0.4"
            />
            <path d={b.would} stroke="currentColor" strokeWidth="5" />
            <text x={b.x} y={b.y} fontSize="9" fill="currentColor">
              {b.station}
            </text>
          </g>
        ))}
      </svg>
      <span style={visuallyHidden}>
        {off.map((o) => (
          <span key={o.station}>
            {o.station} <Length mm={o.mm} signed />{" "}
          </span>
        ))}
      </span>
    </Box>
  );
}
