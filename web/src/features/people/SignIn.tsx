import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, must, type Schemas } from "../../api/client";
import { Press } from "../../shared/Press";
import { Entry, Field } from "./Entry";
import { FirstShop } from "./FirstShop";
import { useSigningIn } from "./useSigningIn";

/** A session that ended in the middle of the work: signed in in place, and the work goes on. */
export function SignInHere({ me }: { me: Schemas["Me"] }) {
  const it = useSigningIn();
  return (
    <Box
      component="form"
      role="alert"
      onSubmit={(e) => {
        e.preventDefault();
      }}
      sx={{
        display: "flex",
        flexWrap: "wrap",
        gap: 1,
        alignItems: "center",
        p: 1,
        borderBottom: 3,
        borderColor: "warning.main",
      }}
    >
      <Typography sx={{ flex: "1 1 260px" }}>
        ▲ You are signed out. What you did is kept on this device and goes on
        its way when {me.name} signs in again. {it.error}
      </Typography>
      <TextField
        size="small"
        label="Name"
        autoComplete="username"
        value={it.userName}
        onChange={(e) => {
          it.setUserName(e.target.value);
        }}
      />
      <TextField
        size="small"
        label="Password"
        type="password"
        autoComplete="current-password"
        value={it.password}
        onChange={(e) => {
          it.setPassword(e.target.value);
        }}
      />
      {it.asksCode && (
        <Field
          size="small"
          label="Code"
          autoComplete="one-time-code"
          value={it.code}
          set={it.setCode}
          refused={it.codeError}
        />
      )}
      <Press type="submit" variant="contained" act={it.signIn}>
        Sign in
      </Press>
    </Box>
  );
}

export function SignIn() {
  const first = useQuery({
    queryKey: ["first"],
    queryFn: async () => must(await api.GET("/api/first")),
  });
  const it = useSigningIn();
  if (first.data?.open) {
    return <FirstShop />;
  }
  return (
    <Entry
      heading="Nokko"
      says="Plan the lift, lead the fitting, prove the stance."
      problem={it.error}
      press="Sign in"
      act={it.signIn}
    >
      <TextField
        label="Name"
        autoComplete="username"
        autoFocus
        value={it.userName}
        onChange={(e) => {
          it.setUserName(e.target.value);
        }}
      />
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        value={it.password}
        onChange={(e) => {
          it.setPassword(e.target.value);
        }}
      />
      {it.asksCode && (
        <Field
          label="Code"
          autoComplete="one-time-code"
          value={it.code}
          set={it.setCode}
          refused={it.codeError}
          helperText="Six digits of your app, or one of the recovery codes."
        />
      )}
    </Entry>
  );
}
