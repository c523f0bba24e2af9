import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must } from "../../api/client";
import { Press } from "../../shared/Press";
import { useAsk } from "../people/ask";
import { Addresses, MadeAddress } from "./Addresses";

/** What is to come and what was promised, in the calendar of a phone or a desk: as a file, or followed. */
export function CalendarFeed() {
  const client = useQueryClient();
  const { ask, rest } = useAsk();
  const [shown, setShown] = useState({ plates: false, owners: false });
  const [path, setPath] = useState<string | null>(null);
  const open = useQuery({
    queryKey: ["calendars"],
    queryFn: async () => must(await api.GET("/api/calendars")),
    retry: false,
  });
  if (!open.data) {
    return null;
  }
  const anew = () => client.invalidateQueries({ queryKey: ["calendars"] });
  return (
    <Box component="section" aria-label="Calendar">
      <Typography variant="h2">Calendar</Typography>
      <Typography color="text.secondary">
        Follow-ups and promised days, in the calendar that you use already.
        Whoever has the link reads it, until it is taken back here.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center" }}>
        <FormControlLabel
          control={
            <Checkbox
              checked={shown.plates}
              onChange={(e) => {
                setShown({ ...shown, plates: e.target.checked });
              }}
            />
          }
          label="With plates"
        />
        <FormControlLabel
          control={
            <Checkbox
              checked={shown.owners}
              onChange={(e) => {
                setShown({ ...shown, owners: e.target.checked });
              }}
            />
          }
          label="With owners and contacts"
        />
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <Press
          variant="outlined"
          act={async () => {
            const made = await ask(() =>
              api.POST("/api/calendars", { body: shown }),
            );
            if (made?.data) {
              setPath(`/calendar/${made.data.token}.ics`);
              await anew();
            }
          }}
        >
          Make a link to follow
        </Press>
        <Button variant="outlined" href="/api/calendar.ics" download>
          Take it out once
        </Button>
      </Box>
      <Typography role="alert" color="error">
        {rest([])}
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
