import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { BothWays } from "../../shared/BothWays";
import { Press } from "../../shared/Press";
import { ToHeed } from "./Cautions";
import { LoadSwitch, PlanSays } from "./PlanSays";
import type { usePlans } from "./usePlans";

/** What the plan will do, what is to be heeded, and the button that agrees: above the rail, whatever is looked at. */
export function PlanBar({
  at,
  prediction,
  loaded,
  onLoaded,
  onBand,
}: {
  at: ReturnType<typeof usePlans>;
  prediction: Schemas["Prediction"] | undefined;
  loaded: boolean;
  /** Asks how it sits with its loads; null where that is asked elsewhere on the page. */
  onLoaded: ((loaded: boolean) => void) | null;
  onBand: (prediction: Schemas["Prediction"] | null) => void;
}) {
  const { draft } = at;
  const [reason, setReason] = useState("");
  const gate = at.problem instanceof Problem && at.problem.field === "reason";
  return (
    <Box
      className="no-print"
      sx={{
        position: "sticky",
        // Where the keyboard leaves little room it gives way.
        "@media (max-height: 600px)": { position: "static" },
        bottom: 54,
        zIndex: 1,
        mx: { xs: -1, sm: -2 },
        px: { xs: 1, sm: 2 },
        py: 0.5,
        mt: 2,
        maxHeight: "50dvh",
        overflowY: "auto",
        bgcolor: "background.default",
        borderTop: 1,
        borderColor: "text.primary",
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 2,
      }}
    >
      {/* What the last stacks do fades until the answer for these is here. */}
      <Box
        sx={{ opacity: at.waits ? 0.4 : 1, flex: 1, minWidth: 260 }}
        aria-busy={at.waits}
      >
        {draft ? (
          <PlanSays
            prediction={at.waits && at.away ? undefined : prediction}
            loaded={loaded}
            onBand={onBand}
          />
        ) : (
          <Typography color="text.secondary">
            Nothing is planned yet.
          </Typography>
        )}
      </Box>
      {onLoaded && (
        <LoadSwitch
          prediction={prediction}
          loaded={loaded}
          onChange={onLoaded}
        />
      )}
      <ToHeed corners={prediction?.corners ?? []} />
      <BothWays problem={at.problem} {...at.both} />
      {gate && (
        <TextField
          label="Why begin all the same"
          value={reason}
          onChange={(e) => {
            setReason(e.target.value);
          }}
          fullWidth={false}
          sx={{ minWidth: 240 }}
        />
      )}
      {draft && (
        <Press variant="contained" act={() => at.begin(reason)}>
          {gate
            ? "Begin with this reason"
            : at.plans.length > 1
              ? `Agreed: begin the fitting of ${draft.name}`
              : "Agreed: begin the fitting"}
        </Press>
      )}
    </Box>
  );
}
