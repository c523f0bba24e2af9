import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { sinceBegun } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { signerWords } from "../../api/words";
import { dayAndTime } from "../../shared/time";
import { SignForm } from "../papers/SignForm";

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
      {sinceBegun(d, d.signatures)
        .filter((s) => !s.offerId)
        .map((s) => (
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
  return (
    <SignForm
      signers={["owner", "driver", "shop"]}
      owner={d.owner.name}
      says="Signed"
      onSign={async (signed) => {
        await send(
          { kind: "sign", id: v7(), told: [...read], ...signed },
          "a signature",
        );
        done();
      }}
      onLeave={done}
    />
  );
}
