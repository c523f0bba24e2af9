import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, must, type Schemas } from "../../api/client";
import { Press } from "../../shared/Press";
import { Entry, Field } from "./Entry";
import { FirstShop } from "./FirstShop";
import { useSigningIn } from "./useSigningIn";

/** Name, password, and a code where one is asked for. */
function Fields({
  it,
  size,
  focus = false,
}: {
  it: ReturnType<typeof useSigningIn>;
  size: "small" | "medium";
  focus?: boolean;
}) {
  const f = it.fields;
  return (
    <>
      <Field
        size={size}
        label="Name"
        autoComplete="username"
        autoFocus={focus}
        value={f.userName}
        set={f.setUserName}
        refused={undefined}
      />
      <Field
        size={size}
        label="Password"
        type="password"
        autoComplete="current-password"
        value={f.password}
        set={f.setPassword}
        refused={undefined}
      />
      {it.asksCode && (
        <Field
          size={size}
          label="Code"
          autoComplete="one-time-code"
          value={f.code}
          set={f.setCode}
          refused={it.codeError}
          helperText="Six digits of your app, or one of the recovery codes."
        />
      )}
    </>
  );
}

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
        // Wherever on a long page the hands are.
        position: "sticky",
        top: 0,
        zIndex: 3,
        bgcolor: "background.default",
      }}
    >
      <Typography sx={{ flex: "1 1 260px" }}>
        ▲ You are signed out. What you did is kept on this device and goes on
        its way when {me.name} signs in again. {it.error}
      </Typography>
      <Fields it={it} size="small" />
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
      <Fields it={it} size="medium" focus />
    </Entry>
  );
}
