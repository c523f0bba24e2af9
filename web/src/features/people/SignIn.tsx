import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import { outbox } from "../../api/job";
import { Problem } from "../../api/problem";

export function SignIn() {
  const client = useQueryClient();
  const [userName, setUserName] = useState("");
  const [password, setPassword] = useState("");
  const [error, setError] = useState<string | null>(null);

  const signIn = async () => {
    const answer = await api.POST("/api/sign-in", {
      body: { userName: userName.trim(), password },
    });
    if (answer.response.ok) {
      await client.invalidateQueries();
      void outbox.resume();
      outbox.wake();
    } else {
      setError(Problem.of(answer.response.status, answer.error).message);
    }
  };

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
        onSubmit={(e) => {
          e.preventDefault();
          signIn().catch(() => {
            setError("The server does not answer. Try again.");
          });
        }}
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
