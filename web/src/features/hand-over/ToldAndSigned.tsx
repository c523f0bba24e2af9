import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { lazy, Suspense, useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { sinceBegun } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { signerWords } from "../../api/words";
import { Press } from "../../shared/Press";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { dayAndTime } from "../../shared/time";

const SignatureField = lazy(() => import("./SignatureField"));

/** What whoever drives it away is told, read aloud beside the vehicle, and who signed that it was. */
export function ToldAndSigned() {
  const view = useJob();
  const d = view.document;
  const [signing, setSigning] = useState(false);
  if (view.tellDriver.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-label="Told to the driver" sx={{ mt: 2 }}>
      <Typography variant="h2">Tell whoever drives it away</Typography>
      <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
        {view.tellDriver.map((x) => (
          <li key={x}>{x}</li>
        ))}
      </Box>
      {sinceBegun(d, d.signatures).map((s) => (
        <Box key={s.id}>
          ✓ <b>{s.name}</b>, {signerWords[s.as]}, signed {dayAndTime(s.at)}
        </Box>
      ))}
      {signing ? (
        <Sign
          told={view.tellDriver}
          done={() => {
            setSigning(false);
          }}
        />
      ) : (
        <Button
          variant="outlined"
          sx={{ mt: 1 }}
          onClick={() => {
            setSigning(true);
          }}
        >
          Sign it
        </Button>
      )}
    </Box>
  );
}

function Sign({ told, done }: { told: readonly string[]; done: () => void }) {
  const d = useJob().document;
  const send = useSend();
  // Signed is what stood there when the pen was taken.
  const [read] = useState(told);
  const [as, setAs] = useState<Schemas["SignedAs"]>("owner");
  const [name, setName] = useState<string | null>(null);
  const [strokes, setStrokes] = useState<number[][]>([]);
  const [problem, setProblem] = useState<Error | null>(null);
  const shown = name ?? (as === "owner" ? d.owner.name : "");
  const sign = async () => {
    setProblem(null);
    try {
      await send(
        { kind: "sign", id: v7(), name: shown, as, told: [...read], strokes },
        "a signature",
      );
      done();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box sx={{ display: "grid", gap: 1, mt: 1 }}>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <TextField
          select
          fullWidth={false}
          size="small"
          label="Signs as"
          value={as}
          onChange={(e) => {
            setAs(e.target.value as Schemas["SignedAs"]);
          }}
          sx={{ width: 170 }}
        >
          {(Object.keys(signerWords) as Schemas["SignedAs"][]).map((s) => (
            <MenuItem key={s} value={s}>
              {signerWords[s]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          size="small"
          label="Name"
          value={shown}
          onChange={(e) => {
            setName(e.target.value);
          }}
          {...at(problem, "name")}
          sx={{ flex: "1 1 160px" }}
        />
      </Box>
      <Suspense fallback={<Box sx={{ height: 150 }} />}>
        <SignatureField onDrawn={setStrokes} />
      </Suspense>
      {!at(problem, "name").error && <ProblemNote problem={problem} />}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Press variant="contained" act={sign}>
          Signed
        </Press>
        <Button onClick={done}>Not now</Button>
      </Box>
    </Box>
  );
}
