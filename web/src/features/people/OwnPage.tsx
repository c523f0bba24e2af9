import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useColorScheme } from "@mui/material/styles";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link as To } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { device } from "../../api/device";
import { useMe } from "../../api/job";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { Press } from "../../shared/Press";
import { dayAndTime } from "../../shared/time";
import { useAsk } from "./ask";
import { Elsewhere } from "./Elsewhere";
import { Field } from "./Entry";
import { Line } from "./Line";
import { OwnCodes } from "./OwnCodes";

/** Somebody's own page: how things are shown, the password, where one is signed in. */
export default function OwnPage() {
  const me = useMe().data;
  const client = useQueryClient();
  const page = useQuery({
    queryKey: ["own-page"],
    queryFn: async () => must(await api.GET("/api/me/page")),
  });
  if (page.isError && !page.data) {
    return <NeedsNetwork why={page.error} />;
  }
  if (!me || !page.data) {
    return null;
  }
  const anew = () => client.invalidateQueries({ queryKey: ["own-page"] });
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 2,
        maxWidth: 860,
        display: "grid",
        gap: 3,
      }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 2,
          alignItems: "baseline",
        }}
      >
        <Typography variant="h1">{me.name}</Typography>
        <Typography color="text.secondary" sx={{ flex: 1 }}>
          {me.userName}, {me.role} of{" "}
          <Link component={To} to="/shop">
            {me.shop}
          </Link>
        </Typography>
        <Press
          variant="outlined"
          act={async () => {
            try {
              await api.POST("/api/sign-out");
              await device.forget();
            } finally {
              window.location.assign("/");
            }
          }}
        >
          Sign out here
        </Press>
      </Box>
      <Shown me={me} />
      <Devices devices={page.data.devices} anew={anew} />
      <Box component="section">
        <Typography variant="h2">On another device</Typography>
        <Elsewhere path="/" />
      </Box>
      <Password anew={anew} />
      <OwnCodes
        has={page.data.hasCodes}
        left={page.data.codesLeft}
        anew={anew}
      />
    </Box>
  );
}

function Shown({ me }: { me: Schemas["Me"] }) {
  const client = useQueryClient();
  const { mode, setMode } = useColorScheme();
  return (
    <Box component="section">
      <Typography variant="h2">How it is shown to you</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mt: 1 }}>
        <ToggleButtonGroup
          exclusive
          aria-label="Lengths"
          value={me.lengthUnit}
          onChange={(_, unit: string | null) => {
            if (unit) {
              void api
                .PUT("/api/me/unit", { body: { lengthUnit: unit } })
                .then(() => client.invalidateQueries());
            }
          }}
        >
          <ToggleButton value="in">inches</ToggleButton>
          <ToggleButton value="mm">millimetres</ToggleButton>
        </ToggleButtonGroup>
        <ToggleButtonGroup
          exclusive
          aria-label="Day or night, on this device"
          value={mode ?? "system"}
          onChange={(_, to: "light" | "dark" | "system" | null) => {
            if (to) {
              setMode(to);
            }
          }}
        >
          <ToggleButton value="light">day</ToggleButton>
          <ToggleButton value="dark">night</ToggleButton>
          <ToggleButton value="system">as the device</ToggleButton>
        </ToggleButtonGroup>
      </Box>
    </Box>
  );
}

function Devices({
  devices,
  anew,
}: {
  devices: Schemas["SignedInDevice"][];
  anew: () => Promise<void>;
}) {
  return (
    <Box component="section">
      <Typography variant="h2">Where you are signed in</Typography>
      {devices.map((d) => (
        <Line
          key={d.id}
          about={
            <>
              <b>{d.said}</b>
              {d.isThis && ", this one"}
              <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
                since {dayAndTime(d.signedInAt)}, last seen{" "}
                {dayAndTime(d.seenAt)}
              </Box>
            </>
          }
        >
          {!d.isThis && (
            <Press
              size="small"
              aria-label={`Sign out there: ${d.said}, since ${dayAndTime(d.signedInAt)}`}
              act={async () => {
                await api.POST("/api/me/devices/{device}/end", {
                  params: { path: { device: d.id } },
                });
                await anew();
              }}
            >
              Sign out there
            </Press>
          )}
        </Line>
      ))}
      {devices.length > 1 && (
        <Press
          sx={{ mt: 1 }}
          variant="outlined"
          act={async () => {
            await api.POST("/api/me/devices/end");
            await anew();
          }}
        >
          Sign out everywhere else
        </Press>
      )}
    </Box>
  );
}

function Password({ anew }: { anew: () => Promise<void> }) {
  const { ask, at, rest } = useAsk();
  const [now, setNow] = useState("");
  const [password, setPassword] = useState("");
  const [kept, setKept] = useState(false);
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
      }}
    >
      <Typography variant="h2">Password</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1.5 }}>
        <Field
          size="small"
          label="The one now"
          type="password"
          autoComplete="current-password"
          value={now}
          set={setNow}
          refused={at("now")}
        />
        <Field
          size="small"
          label="Another one"
          type="password"
          autoComplete="new-password"
          value={password}
          set={setPassword}
          refused={at("password")}
          helperText="At least 8 letters."
        />
        <Press
          type="submit"
          variant="outlined"
          sx={{ alignSelf: "start" }}
          act={async () => {
            const done = await ask(() =>
              api.PUT("/api/me/password", { body: { now, password } }),
            );
            setKept(done !== null);
            if (done) {
              setNow("");
              setPassword("");
              await anew();
            }
          }}
        >
          Keep it
        </Press>
      </Box>
      <Typography role="status" sx={{ mt: 1 }}>
        {kept
          ? "✓ Kept. Everywhere else you are signed out."
          : (rest(["now", "password"]) ??
            "Another password signs you out everywhere else.")}
      </Typography>
    </Box>
  );
}
