import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { api, type Schemas } from "../../api/client";
import { Press } from "../../shared/Press";
import { dayAndTime, dayOfYear } from "../../shared/time";
import { useAddress } from "../../shared/useAddress";
import { useAsk } from "../people/ask";
import { Elsewhere } from "../people/Elsewhere";
import { Line } from "../people/Line";

/** An address that was just made: what is secret in it is shown once. */
export function MadeAddress({ path }: { path: string }) {
  const here = useAddress();
  const address = (here?.address ?? window.location.origin) + path;
  return (
    <Box
      role="status"
      sx={{ p: 1.5, mt: 1, border: 2, borderColor: "primary.main" }}
    >
      It is shown only now: copy it.
      <TextField
        fullWidth
        size="small"
        label="Link"
        value={address}
        sx={{ my: 1.5 }}
        slotProps={{ htmlInput: { readOnly: true } }}
        onFocus={(e) => {
          e.target.select();
        }}
      />
      <Press
        variant="outlined"
        act={() => navigator.clipboard.writeText(address)}
      >
        Copy it
      </Press>
      <Elsewhere path={path} />
    </Box>
  );
}

/** Addresses that hold; each can be taken back. */
export function Addresses({
  open,
  ended,
}: {
  open: readonly Schemas["OpenAddress"][];
  ended: () => void;
}) {
  const { ask, rest } = useAsk();
  return (
    <>
      {open.map((a) => (
        <Line
          key={a.id}
          about={
            <>
              Made {dayAndTime(a.madeAt)}
              {a.by && ` by ${a.by}`}
              {a.endsAt && `, holds until ${dayOfYear(a.endsAt)}`}
              <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
                {[
                  a.plates && "plates",
                  a.owners && "owners",
                  a.pictures && "photographs",
                ]
                  .filter(Boolean)
                  .join(", ") || "without plates and contacts"}
                {" · "}
                {a.seenAt
                  ? `opened last ${dayAndTime(a.seenAt)}`
                  : "not opened yet"}
              </Box>
            </>
          }
        >
          <Press
            size="small"
            aria-label={`Take it back: made ${dayAndTime(a.madeAt)}`}
            act={async () => {
              await ask(() =>
                api.POST("/api/shared/{address}/end", {
                  params: { path: { address: a.id } },
                }),
              );
              ended();
            }}
          >
            Take it back
          </Press>
        </Line>
      ))}
      <Typography role="alert" color="error">
        {rest([])}
      </Typography>
    </>
  );
}
