import Box from "@mui/material/Box";
import FormHelperText from "@mui/material/FormHelperText";
import type { Schemas } from "../../api/client";
import { vehicleWords } from "../../api/words";
import { SideDrawing } from "../stance/SideDrawing";
import type { Shape } from "../stance/vehicle";
import { useInks } from "../../shared/theme";

type Sort = Schemas["VehicleKind"];

const [width, height] = [150, 74];

/** What tells the drawn ones apart, mm: rules of thumb, and nothing that is kept. */
const drawn: Record<Sort, { wheelbase: number; radius: number; sill: number }> =
  {
    pickup: { wheelbase: 3300, radius: 400, sill: 480 },
    wagon: { wheelbase: 2850, radius: 390, sill: 470 },
    openTop: { wheelbase: 2450, radius: 400, sill: 500 },
    estate: { wheelbase: 2700, radius: 330, sill: 330 },
    utv: { wheelbase: 2200, radius: 340, sill: 380 },
  };

const shapeOf = (kind: Sort): Shape => {
  const { wheelbase, radius, sill } = drawn[kind];
  return {
    kind,
    wheelbase,
    frontTrack: 1600,
    rearTrack: 1600,
    springBase: 1050,
    radius,
    loaded: 0.945 * radius,
    rim: 0.58 * radius,
    sill,
    mid: wheelbase / 2,
  };
};

/** The sort of vehicle, chosen by its drawing; none is chosen before somebody does. */
export function ChooseSort({
  sort,
  says,
  onChange,
}: {
  sort: Sort | null;
  /** What is wrong; null while nothing is. */
  says: string | null;
  onChange: (sort: Sort) => void;
}) {
  const inks = useInks();
  // All to one scale.
  const scale = (width - 8) / (1.6 * drawn.pickup.wheelbase);
  return (
    <Box
      component="fieldset"
      aria-describedby={says === null ? undefined : "sort-says"}
      sx={{ border: 0, m: 0, p: 0, minWidth: 0 }}
    >
      <Box
        component="legend"
        sx={{ p: 0, color: "text.secondary", fontSize: "0.9rem" }}
      >
        What is it?
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {(Object.keys(vehicleWords) as Sort[]).map((kind) => {
          const shape = shapeOf(kind);
          const lip = 2 * shape.radius + 90;
          return (
            <Box
              component="label"
              key={kind}
              sx={{
                cursor: "pointer",
                flex: { xs: "1 1 30%", sm: "0 0 auto" },
                textAlign: "center",
                border: 2,
                borderColor: sort === kind ? "primary.main" : "divider",
                borderTopWidth: 5,
                bgcolor: "background.paper",
                fontWeight: sort === kind ? 700 : 400,
                px: 0.5,
                pb: 0.5,
                lineHeight: 1.2,
                "&:focus-within": {
                  outline: 3,
                  outlineStyle: "solid",
                  outlineOffset: 2,
                },
              }}
            >
              <Box
                component="input"
                type="radio"
                name="sort"
                checked={sort === kind}
                onChange={() => {
                  onChange(kind);
                }}
                sx={{ position: "absolute", opacity: 0 }}
              />
              <svg
                viewBox={`0 0 ${width.toString()} ${height.toString()}`}
                style={{ display: "block", width: "100%", maxWidth: width }}
                aria-hidden
              >
                <SideDrawing
                  shape={shape}
                  body={{ front: lip, rear: lip }}
                  scale={scale}
                  x0={(width - 1.08 * shape.wheelbase * scale) / 2}
                  ground={height - 4}
                />
                <line
                  x1={0}
                  x2={width}
                  y1={height - 4}
                  y2={height - 4}
                  stroke={inks.now}
                />
              </svg>
              {sort === kind ? "✓ " : ""}
              {vehicleWords[kind].said}
            </Box>
          );
        })}
      </Box>
      {says !== null && (
        <FormHelperText id="sort-says" error>
          {says}
        </FormHelperText>
      )}
    </Box>
  );
}
