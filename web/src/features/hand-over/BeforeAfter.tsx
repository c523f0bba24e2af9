import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Slider from "@mui/material/Slider";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { dayAndTime } from "../../shared/time";
import { useUnit } from "../../shared/Length";
import { inMm } from "../../shared/length";
import { PinHubs } from "./PinHubs";
import {
  barOf,
  beforeAndAfter,
  hubsOf,
  laid,
  whyNotLaid,
  type Size,
} from "./overlay";

type Picture = Schemas["Attachment"];

/** Two photographs from the same marked spot, laid over each other by their hubs. */
export function BeforeAfter() {
  const its = beforeAndAfter(useJob().document);
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="details"
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
      sx={{ mt: 2 }}
    >
      <Box
        component="summary"
        sx={{ cursor: "pointer", minHeight: 48, alignContent: "center" }}
      >
        <b>Before and after, laid over each other</b>
      </Box>
      {!open ? null : its.before.length > 0 && its.after.length > 0 ? (
        <Pair {...its} />
      ) : (
        <Typography>
          Take one photograph before the work and one after it, square to the
          side, from the same mark on the floor:{" "}
          {its.before.length === 0
            ? "none was taken before it."
            : "none was taken since it began."}{" "}
          They are added under Take in.
        </Typography>
      )}
    </Box>
  );
}

function Pair({ before, after }: Record<"before" | "after", Picture[]>) {
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const [pinning, setPinning] = useState<"before" | "after" | null>(null);
  const of = (which: "before" | "after") => {
    const all = { before, after }[which];
    return all.find((p) => p.id === chosen[which]) ?? all.at(-1);
  };
  const [first, second] = [of("before"), of("after")];
  const sizes = [useSize(first), useSize(second)];
  const marks =
    pinning ?? (!first?.pins ? "before" : !second?.pins ? "after" : null);
  const marked = marks === null ? undefined : of(marks);
  return (
    <Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}>
        {(["before", "after"] as const).map((which) => (
          <TextField
            key={which}
            select
            fullWidth={false}
            size="small"
            label={which === "before" ? "Before" : "After"}
            value={of(which)?.id ?? ""}
            onChange={(e) => {
              setChosen({ ...chosen, [which]: e.target.value });
              setPinning(null);
            }}
            sx={{ flex: "1 1 160px" }}
          >
            {{ before, after }[which].map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.caption ?? "Photograph"}, {dayAndTime(p.at)}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </Box>
      {marks !== null && marked ? (
        <PinHubs
          key={marked.id}
          picture={marked}
          which={marks}
          done={() => {
            setPinning(null);
          }}
        />
      ) : (
        <>
          {first && second && sizes[0] && sizes[1] && (
            <Overlay
              first={{ ...first, size: sizes[0] }}
              second={{ ...second, size: sizes[1] }}
            />
          )}
          {(["before", "after"] as const).map((which) => (
            <Button
              key={which}
              onClick={() => {
                setPinning(which);
              }}
            >
              Mark the hubs anew, {which}
            </Button>
          ))}
        </>
      )}
    </Box>
  );
}

/** How large a photograph is, once it is here. */
function useSize(picture: Picture | undefined): Size | null {
  const { data } = useQuery({
    queryKey: ["photograph-size", picture?.sha256],
    enabled: picture !== undefined,
    staleTime: Infinity,
    queryFn: async () => {
      const image = new Image();
      image.src = `/api/files/${picture?.sha256 ?? ""}`;
      await image.decode();
      return { width: image.naturalWidth, height: image.naturalHeight };
    },
  });
  return data ?? null;
}

function Overlay({
  first,
  second,
}: {
  first: Picture & { size: Size };
  second: Picture & { size: Size };
}) {
  const [over, setOver] = useState(50);
  const { wheelbase } = useJob().document.vehicle.dimensions;
  const mm = useUnit() === "mm";
  const to = hubsOf(first.pins ?? [], first.size);
  const m = laid(hubsOf(second.pins ?? [], second.size), to);
  const { width, height } = first.size;
  const bar = wheelbase ? barOf(mm ? 250 : 254, to, inMm(wheelbase)) : null;
  const why = whyNotLaid(m);
  const url = (p: Picture) => `/api/files/${p.sha256}`;
  return (
    <Box>
      {why && <Typography sx={{ fontWeight: 600 }}>▲ {why}</Typography>}
      <Box
        component="svg"
        viewBox={`0 0 ${width.toString()} ${height.toString()}`}
        role="img"
        aria-label="The photograph after the work over the one before it, hub on hub"
        sx={{ width: "100%", display: "block", bgcolor: "#fff" }}
      >
        <image href={url(first)} width={width} height={height} />
        <image
          href={url(second)}
          width={second.size.width}
          height={second.size.height}
          opacity={over / 100}
          transform={`matrix(${[m.a, m.b, -m.b, m.a, m.e, m.f].join(" ")})`}
        />
        {bar !== null && (
          <g>
            {[3, 1].map((times) => (
              <line
                key={times}
                x1={width * 0.04}
                x2={width * 0.04}
                y1={height * 0.96}
                y2={height * 0.96 - bar}
                stroke={times === 3 ? "#fff" : "#1c1e21"}
                strokeWidth={(times * width) / 300}
              />
            ))}
            <text
              x={width * 0.055}
              y={height * 0.955}
              fontSize={width / 30}
              fill="#1c1e21"
              stroke="#fff"
              strokeWidth={width / 200}
              paintOrder="stroke"
            >
              {mm ? "250 mm" : "10 in"}
            </text>
          </g>
        )}
      </Box>
      <Slider
        aria-label="From before to after"
        value={over}
        step={5}
        onChange={(_, next) => {
          setOver(next);
        }}
        sx={{ my: 1 }}
      />
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <span>before</span>
        <span>after</span>
      </Box>
      <Typography color="text.secondary" sx={{ fontSize: "0.9rem" }}>
        Laid hub on hub; the bar is to scale in the plane of the wheels. It
        shows, it does not measure: the tape does.
      </Typography>
    </Box>
  );
}
