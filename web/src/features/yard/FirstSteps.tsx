import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link as To } from "react-router";
import { useParts } from "../../shared/useParts";
import { usePlatforms } from "../../shared/usePlatforms";

/** An empty yard leads: what the shop needs before its first vehicle, what it may have, and the vehicle. */
export function FirstSteps() {
  const parts = useParts().data?.length ?? 0;
  const platforms = usePlatforms().data?.length ?? 0;
  const steps: {
    done: boolean;
    says: string;
    why: string;
    to: string;
    press: string;
  }[] = [
    {
      done: platforms > 0,
      says: "A platform: all vehicles that share one suspension",
      why: "What one of them proves counts for the others. The take-in makes one too.",
      to: "/shelf",
      press: "Make a platform",
    },
    {
      done: parts > 0,
      says: "The parts that lie on your shelf",
      why: "Thickness as you measure it, claim as the box says it: stacks are found from them.",
      to: "/shelf",
      press: "Put parts on the shelf",
    },
    {
      done: false,
      says: "The first vehicle",
      why: "Plate, what it is, whose it is, what is wanted. Then walk round it with the tape.",
      to: "/take-in",
      press: "Take in the first vehicle",
    },
  ];
  const next = steps.findIndex((s) => !s.done);
  return (
    <Box component="section" aria-label="To begin with" sx={{ my: 3 }}>
      <Typography>The yard is empty. Three things to begin with:</Typography>
      <Box component="ol" sx={{ listStyle: "none", p: 0, maxWidth: 760 }}>
        {steps.map((s, i) => (
          <Box
            component="li"
            key={s.says}
            sx={{
              display: "flex",
              flexWrap: "wrap",
              alignItems: "center",
              gap: 1.5,
              py: 1.5,
              borderTop: 1,
              borderColor: "divider",
            }}
          >
            <Box sx={{ fontSize: "1.6rem", fontWeight: 800, width: 36 }}>
              {s.done ? "✓" : i + 1}
            </Box>
            <Box sx={{ flex: "1 1 260px" }}>
              <b>{s.says}</b>
              <Box sx={{ color: "text.secondary" }}>{s.why}</Box>
            </Box>
            {!s.done && (
              <Button
                component={To}
                to={s.to}
                variant={i === next ? "contained" : "outlined"}
              >
                {s.press}
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
