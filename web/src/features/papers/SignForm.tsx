import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { lazy, Suspense, useState } from "react";
import type { Schemas } from "../../api/client";
import { signerWords } from "../../api/words";
import { Press } from "../../shared/Press";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";

const SignatureField = lazy(() => import("./SignatureField"));

/** What was drawn, by whom and as what. */
export type Signed = Pick<Schemas["Signature"], "name" | "as" | "strokes">;

/** Who signs, and the field to sign in. */
export function SignForm({
  signers,
  owner,
  says,
  onSign,
  onLeave,
}: {
  /** As what somebody can sign here, the usual one first. */
  signers: readonly Schemas["SignedAs"][];
  /** The owner's name, which stands there when the owner signs. */
  owner: string;
  says: string;
  onSign: (signed: Signed) => Promise<unknown>;
  onLeave: () => void;
}) {
  const [as, setAs] = useState<Schemas["SignedAs"]>(signers[0] ?? "owner");
  const [name, setName] = useState<string | null>(null);
  const [strokes, setStrokes] = useState<number[][]>([]);
  const [problem, setProblem] = useState<Error | null>(null);
  const shown = name ?? (as === "owner" ? owner : "");
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
          {signers.map((s) => (
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
        <Press
          variant="contained"
          act={async () => {
            setProblem(null);
            try {
              await onSign({ name: shown, as, strokes });
            } catch (e) {
              setProblem(asError(e));
            }
          }}
        >
          {says}
        </Press>
        <Button onClick={onLeave}>Not now</Button>
      </Box>
    </Box>
  );
}
