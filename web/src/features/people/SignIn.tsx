import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { outbox } from "../../api/job";
import { Problem } from "../../api/problem";

/** Signing in: what was typed, and what came of it. */
function useSigningIn() {
  const client = useQueryClient();
  const [userName, setUserName] = useState("");
  const [password, setPassword] = useState("");
  const [error, setError] = useState<string | null>(null);
  const attempt = async () => {
    const answer = await api.POST("/api/sign-in", {
      body: { userName: userName.trim(), password },
    });
    if (!answer.response.ok) {
      setError(Problem.of(answer.response.status, answer.error).message);
      return;
    }
    await client.invalidateQueries();
    const me = must(await api.GET("/api/me"));
    client.setQueryData(["me"], me);
    await outbox.resume();
    // Whoever it is now, only that person's own changes go on their way.
    outbox.signedIn(me.personId);
  };
  return {
    userName,
    setUserName,
    password,
    setPassword,
    error,
    signIn: (e: { preventDefault: () => void }) => {
      e.preventDefault();
      attempt().catch(() => {
        setError("The server does not answer. Try again.");
      });
    },
  };
}

/** A session that ended in the middle of the work: signed in in place, and the work goes on. */
export function SignInHere({ me }: { me: Schemas["Me"] }) {
  const { userName, setUserName, password, setPassword, error, signIn } =
    useSigningIn();
  return (
    <Box
      component="form"
      role="alert"
      onSubmit={signIn}
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
        its way when {me.name} signs in again. {error}
      </Typography>
      <TextField
        size="small"
        label="Name"
        autoComplete="username"
        value={userName}
        onChange={(e) => {
          setUserName(e.target.value);
        }}
      />
      <TextField
        size="small"
        label="Password"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={(e) => {
          setPassword(e.target.value);
        }}
      />
      <Button type="submit" variant="contained">
        Sign in
      </Button>
    </Box>
  );
}

export function SignIn() {
  const { userName, setUserName, password, setPassword, error, signIn } =
    useSigningIn();

  return (
    <Box
      component="main"
      sx={{
        minHeight: "100dvh",
        display: "grid",
        placeItems: "center",
        p: 2,
      }}
    >
      <Box
        component="form"
        sx={{ width: "min(360px, 100%)", display: "grid", gap: 2 }}
        onSubmit={signIn}
      >
        <Typography variant="h1">Nokko</Typography>
        <Typography color="text.secondary">
          Plan the lift, lead the fitting, prove the stance.
        </Typography>
        {error && <Alert severity="error">{error}</Alert>}
        <TextField
          label="Name"
          autoComplete="username"
          autoFocus
          value={userName}
          onChange={(e) => {
            setUserName(e.target.value);
          }}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(e) => {
            setPassword(e.target.value);
          }}
        />
        <Button type="submit" variant="contained">
          Sign in
        </Button>
      </Box>
    </Box>
  );
}
