import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, must } from "../../api/client";
import { Problem } from "../../api/problem";
import { useAsk } from "./ask";
import { Entry, Field } from "./Entry";
import { useSignedIn } from "./useSigningIn";

/** Where a one-time link leads: a colleague comes, or somebody chooses another password. What it holds stands behind # and is sent in no address. */
export default function Join() {
  const token = window.location.hash.slice(1);
  const go = useNavigate();
  const client = useQueryClient();
  const signedIn = useSignedIn();
  const { ask, at, rest } = useAsk();
  const [name, setName] = useState("");
  const [userName, setUserName] = useState("");
  const [password, setPassword] = useState("");
  const link = useQuery({
    queryKey: ["link", token],
    retry: false,
    queryFn: async () =>
      must(await api.POST("/api/links/look", { body: { token } })),
  });
  if (link.isPending) {
    return null;
  }
  if (link.isError) {
    return (
      <Entry
        heading="This link"
        says={
          link.error instanceof Problem
            ? link.error.message
            : "The server does not answer."
        }
        problem={null}
        press="To Nokko"
        act={async () => go("/")}
      >
        {null}
      </Entry>
    );
  }
  const known = link.data.userName;
  return (
    <Entry
      heading={
        known === null ? `Come in, to ${link.data.shop}` : "Another password"
      }
      says={
        known === null
          ? `You will be ${link.data.role === "owner" || link.data.role === "apprentice" ? "an" : "a"} ${link.data.role} here.`
          : `For ${known}, of ${link.data.shop}. Everywhere else you are signed out then, and one-time codes are off.`
      }
      problem={rest(["name", "userName", "password"])}
      press={known === null ? "Come in" : "Keep it"}
      act={async () => {
        if (
          await ask(() =>
            api.POST("/api/links/use", {
              body:
                known === null
                  ? { token, password, name, userName }
                  : { token, password, name: null, userName: null },
            }),
          )
        ) {
          await go("/", { replace: true });
          client.removeQueries({ queryKey: ["link", token] });
          await signedIn();
        }
      }}
    >
      {known === null && (
        <>
          <Field
            label="Your name"
            autoFocus
            autoComplete="name"
            helperText="As it stands on records."
            value={name}
            set={setName}
            refused={at("name")}
          />
          <Field
            label="Name to sign in with"
            autoComplete="username"
            value={userName}
            set={setUserName}
            refused={at("userName")}
          />
        </>
      )}
      <Field
        label="Password"
        type="password"
        autoComplete="new-password"
        helperText="At least 8 letters: several words are best."
        value={password}
        set={setPassword}
        refused={at("password")}
      />
    </Entry>
  );
}
