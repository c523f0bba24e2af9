import { currentStage } from "../../api/document";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useJob, useSeenVersion } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { text, shownU } from "../../shared/length";
import { useSuspensionKinds } from "../../shared/useKinds";
import { AxleSuspension } from "./AxleSuspension";
import { Loads } from "./Loads";
import { Mates } from "./Mates";

/** The suspension of each axle with its drawing, what is measured and what is assumed, and the loads. */
export default function VehicleView() {
  const view = useJob();
  const unit = useUnit();
  const kinds = useSuspensionKinds();
  const seen = useSeenVersion(currentStage(view.document).id);
  const better = view.results.sharper;
  return (
    <Box sx={{ maxWidth: 1180 }}>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          alignItems: "baseline",
          gap: 2,
        }}
      >
        <Typography variant="h1" sx={{ flex: 1 }}>
          Suspension and loads
        </Typography>
        <Button component={Link} to="../take-in">
          Back to what was taken in
        </Button>
      </Box>
      <Box component="section" aria-labelledby="better">
        <Typography id="better" variant="h2">
          What would make the prediction better
        </Typography>
        {better.length === 0 ? (
          <Typography>
            Nothing that could be taped here would narrow it further.
          </Typography>
        ) : (
          <Box component="ol" sx={{ my: 0.5, pl: 3 }}>
            {better.map((b) => (
              <li key={`${b.axle} ${b.what}`}>
                <b>
                  {b.what}, {b.axle}
                </b>
                : {b.of === "rake" ? "the rake" : "what an inch put in lifts"}{" "}
                becomes good to ± {text(shownU(b.thenMm, unit))}, now ±{" "}
                {text(shownU(b.nowMm, unit))}.
              </li>
            ))}
          </Box>
        )}
      </Box>
      {kinds.length > 0 &&
        (["front", "rear"] as const).map((axle) => (
          <AxleSuspension
            // Another kind is another form.
            key={`${axle} ${currentStage(view.document)[axle].kind}`}
            axle={axle}
            kinds={kinds}
            seen={seen}
          />
        ))}
      <Loads />
      <Mates />
    </Box>
  );
}
