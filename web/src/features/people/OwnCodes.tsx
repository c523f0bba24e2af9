import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { lazy, Suspense, useState } from "react";
import { api, type Schemas } from "../../api/client";
import { Press } from "../../shared/Press";
import { useAsk } from "./ask";
import { Field } from "./Entry";

const Qr = lazy(() => import("../../shared/Qr"));

/** One-time codes: begun with a key for an app, confirmed by its first code, ended with the password. */
export function OwnCodes({
  has,
  left,
  anew,
}: {
  has: boolean;
  left: number;
  anew: () => Promise<void>;
}) {
  const { ask, at, rest } = useAsk();
  const [key, setKey] = useState<Schemas["CodeKey"] | null>(null);
  const [code, setCode] = useState("");
  const [password, setPassword] = useState("");
  const [recovery, setRecovery] = useState<string[]>([]);
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
      }}
    >
      <Typography variant="h2">One-time codes</Typography>
      <Typography sx={{ mt: 0.5 }}>
        {has
          ? `On: a sign-in asks for the six digits of your app. ${left.toString()} recovery codes are left.`
          : "Off. With them a password that somebody saw opens nothing by itself."}
      </Typography>
      {recovery.length > 0 && (
        <Box sx={{ my: 1, p: 1.5, border: 2, borderColor: "warning.main" }}>
          <b>Write these down now: they are shown once.</b> Each works once,
          when the device with the app is lost.
          <Box
            component="ul"
            sx={{
              columns: 2,
              m: 0,
              mt: 1,
              fontFamily: "monospace",
              fontSize: "1.05rem",
            }}
          >
            {recovery.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </Box>
        </Box>
      )}
      {!has && !key && (
        <Press
          sx={{ mt: 1 }}
          variant="outlined"
          act={async () => {
            const begun = await ask(() => api.POST("/api/me/codes"));
            setKey(begun?.data ?? null);
          }}
        >
          Set codes up
        </Press>
      )}
      {!has && key && (
        <Box sx={{ display: "grid", gap: 1.5, mt: 1 }}>
          <Suspense fallback={<Box sx={{ width: 196, height: 196 }} />}>
            <Qr of={key.address} says="the key" />
          </Suspense>
          <Typography>
            Show this to an app for one-time codes, type this key into it, or{" "}
            <Link href={key.address}>open it there</Link> on this device:
            <Box
              component="b"
              sx={{
                display: "block",
                fontFamily: "monospace",
                fontSize: "1.1rem",
                overflowWrap: "anywhere",
              }}
            >
              {key.key.replace(/(.{4})/g, "$1 ")}
            </Box>
          </Typography>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
            <Field
              size="small"
              label="The code that it shows"
              autoComplete="one-time-code"
              value={code}
              set={setCode}
              refused={at("code")}
            />
            <Press
              type="submit"
              variant="contained"
              sx={{ alignSelf: "start" }}
              act={async () => {
                const done = await ask(() =>
                  api.POST("/api/me/codes/confirm", { body: { code } }),
                );
                if (done?.data) {
                  setRecovery(done.data.codes);
                  setKey(null);
                  setCode("");
                  await anew();
                }
              }}
            >
              Turn codes on
            </Press>
          </Box>
        </Box>
      )}
      {has && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1 }}>
          <Field
            size="small"
            label="Your password"
            type="password"
            autoComplete="current-password"
            value={password}
            set={setPassword}
            refused={at("password")}
          />
          <Press
            variant="outlined"
            sx={{ alignSelf: "start" }}
            act={async () => {
              if (
                await ask(() =>
                  api.POST("/api/me/codes/end", { body: { password } }),
                )
              ) {
                setPassword("");
                setRecovery([]);
                await anew();
              }
            }}
          >
            Turn codes off
          </Press>
        </Box>
      )}
      <Typography role="status" color="error">
        {rest(["code", "password"])}
      </Typography>
    </Box>
  );
}
