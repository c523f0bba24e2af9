import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must } from "../../api/client";
import { outbox } from "../../api/job";
import { useAsk } from "./ask";

/** Everything anew for whoever it is now; only that person's own changes go on their way. */
export function useSignedIn() {
  const client = useQueryClient();
  return async () => {
    await client.invalidateQueries();
    const me = must(await api.GET("/api/me"));
    client.setQueryData(["me"], me);
    await outbox.resume();
    outbox.signedIn(me.personId);
  };
}

/** Signing in: what was typed, and what came of it. A code is asked for where somebody has codes. */
export function useSigningIn() {
  const signedIn = useSignedIn();
  const { ask, at, rest, wasRefused } = useAsk();
  const [userName, setUserName] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const [wrongCode, setWrongCode] = useState(false);
  return {
    fields: { userName, setUserName, password, setPassword, code, setCode },
    asksCode: wasRefused("code"),
    // The first time it is asked for, nothing of it was wrong.
    codeError: wrongCode ? at("code") : undefined,
    error: rest(["code"]),
    signIn: async () => {
      setWrongCode(code !== "");
      const answer = await ask(() =>
        api.POST("/api/sign-in", {
          body: { userName: userName.trim(), password, code: code || null },
        }),
      );
      if (answer) {
        await signedIn();
      }
    },
  };
}
