import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must } from "../../api/client";
import { useJob, useMe } from "../../api/job";
import { Press } from "../../shared/Press";
import { useAsk } from "../people/ask";
import { Addresses, MadeAddress } from "./Addresses";

const words = {
  record: "Opens the record, to be read, without signing in.",
  quote:
    "Opens the quote, to be read, chosen from and signed, without signing in.",
};

/** An address under which the owner reads the record, or chooses from the quote, without signing in, until it ends or is taken back. */
export function OwnersLink({ opens }: { opens: keyof typeof words }) {
  const job = useJob().document.job.id;
  const me = useMe().data;
  const client = useQueryClient();
  const { ask, at, rest } = useAsk();
  const [shown, setShown] = useState({
    plates: false,
    owners: false,
    pictures: false,
  });
  const [days, setDays] = useState("90");
  const [path, setPath] = useState<string | null>(null);
  const key = ["shared", opens, job];
  const open = useQuery({
    queryKey: key,
    queryFn: async () =>
      must(
        await api.GET(`/api/jobs/{job}/shared/${opens}`, {
          params: { path: { job } },
        }),
      ),
    retry: false,
  });
  if (!open.data || !me || (me.role !== "owner" && me.role !== "fitter")) {
    return null;
  }
  const anew = () => client.invalidateQueries({ queryKey: key });
  const choose = (what: keyof typeof shown, says: string) => (
    <FormControlLabel
      control={
        <Checkbox
          checked={shown[what]}
          onChange={(e) => {
            setShown({ ...shown, [what]: e.target.checked });
          }}
        />
      }
      label={says}
    />
  );
  return (
    <Box component="section" aria-label="The owner’s link" sx={{ mt: 2 }}>
      <Typography variant="h2">The owner’s link</Typography>
      <Typography color="text.secondary">{words[opens]}</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center" }}>
        {choose("plates", "With the plate")}
        {choose("owners", "With the contact")}
        {opens === "record" && choose("pictures", "With photographs")}
      </Box>
      <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
        <TextField
          size="small"
          fullWidth={false}
          label="Holds, days"
          value={days}
          error={!!at("days")}
          helperText={at("days")}
          onChange={(e) => {
            setDays(e.target.value);
          }}
          sx={{ width: 140 }}
        />
        <Press
          variant="outlined"
          act={async () => {
            const made = await ask(() =>
              api.POST("/api/jobs/{job}/shared", {
                params: { path: { job } },
                body: {
                  opens,
                  ...shown,
                  days: /^\d{1,4}$/.test(days) ? Number(days) : 0,
                },
              }),
            );
            if (made?.data) {
              setPath(`/${opens}#${made.data.token}`);
              await anew();
            }
          }}
        >
          Make a link
        </Press>
      </Box>
      <Typography role="alert" color="error">
        {rest(["days"])}
      </Typography>
      {path && <MadeAddress path={path} />}
      <Addresses
        open={open.data}
        ended={() => {
          setPath(null);
          void anew();
        }}
      />
    </Box>
  );
}
