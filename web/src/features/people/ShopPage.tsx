import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { useMe } from "../../api/job";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { Press } from "../../shared/Press";
import { Surely } from "../../shared/Surely";
import { dayAndTime, dayOfYear } from "../../shared/time";
import { useAddress } from "../../shared/useAddress";
import { CalendarFeed } from "../papers/CalendarFeed";
import { WholeShop } from "../shop-file/WholeShop";
import { useAsk } from "./ask";
import { Elsewhere } from "./Elsewhere";
import { Line } from "./Line";
import { OurWays } from "./OurWays";
import { SettledOnce } from "./SettledOnce";

type Role = Schemas["PersonRole"];

/** The shop: its name, who is there and what each may do. An owner changes it. */
export default function ShopPage() {
  const me = useMe().data;
  const client = useQueryClient();
  const shop = useQuery({
    queryKey: ["shop"],
    queryFn: async () => must(await api.GET("/api/shop")),
  });
  const { ask, at, rest } = useAsk();
  const here = useAddress();
  const [link, setLink] = useState<{ says: string; path: string } | null>(null);
  if (shop.isError && !shop.data) {
    return <NeedsNetwork why={shop.error} />;
  }
  if (!me || !shop.data) {
    return null;
  }
  const address = (path: string) =>
    (here?.address ?? window.location.origin) + path;
  const owns = me.role === "owner";
  const anew = () => client.invalidateQueries();
  const made = (says: string, token: string, endsAt: string) => {
    setLink({
      says: `${says} It works once, until ${dayAndTime(endsAt)}, and is shown only now.`,
      path: `/join#${token}`,
    });
    void anew();
  };
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 2,
        maxWidth: 960,
        display: "grid",
        gap: 3,
      }}
    >
      <Typography variant="h1">{shop.data.name}</Typography>
      <Box component="section">
        <Typography variant="h2">Who is here</Typography>
        {shop.data.people.map((p) => (
          <PersonLine
            key={p.id}
            person={p}
            roles={shop.data.roles}
            owns={owns}
            setRole={async (role) => {
              if (
                await ask(() =>
                  api.PUT("/api/people/{person}/role", {
                    params: { path: { person: p.id } },
                    body: { role },
                  }),
                )
              ) {
                await anew();
              }
            }}
            remove={async () => {
              if (
                await ask(() =>
                  api.POST("/api/people/{person}/remove", {
                    params: { path: { person: p.id } },
                  }),
                )
              ) {
                await anew();
              }
            }}
            password={async () => {
              const it = await ask(() =>
                api.POST("/api/people/{person}/links", {
                  params: { path: { person: p.id } },
                }),
              );
              if (it?.data) {
                made(
                  `With this link ${p.name} chooses another password.`,
                  it.data.token,
                  it.data.endsAt,
                );
              }
            }}
          />
        ))}
        {owns && shop.data.left.length > 0 && (
          <>
            <Typography variant="h3" sx={{ mt: 2 }}>
              Who has left, and stands on records
            </Typography>
            {shop.data.left.map((p) => (
              <Line
                key={p.id}
                about={
                  <>
                    <b>{p.name}</b>, left {dayOfYear(p.leftAt)}
                  </>
                }
              >
                <Surely
                  says="Erase the name"
                  label={`Erase the name: ${p.name}`}
                  sure={`“Former colleague” instead of ${p.name}, on every record: yes`}
                  act={async () => {
                    if (
                      await ask(() =>
                        api.POST("/api/people/{person}/erase", {
                          params: { path: { person: p.id } },
                        }),
                      )
                    ) {
                      await anew();
                    }
                  }}
                />
              </Line>
            ))}
          </>
        )}
        <Typography role="alert" color="error">
          {at("role") ?? rest(["role", "name"])}
        </Typography>
      </Box>
      {owns && (
        <Invite
          roles={shop.data.roles}
          make={async (role) => {
            const it = await ask(() =>
              api.POST("/api/people/links", { body: { role } }),
            );
            if (it?.data) {
              made(
                `With this link somebody comes in as ${role}.`,
                it.data.token,
                it.data.endsAt,
              );
            }
          }}
        />
      )}
      {shop.data.links.length > 0 && (
        <Box component="section">
          <Typography variant="h3">Links that nobody has used yet</Typography>
          {shop.data.links.map((l) => (
            <Line
              key={l.id}
              about={
                <>
                  <b>
                    {l.for === null
                      ? `Somebody comes as ${l.role}`
                      : `Another password for ${l.for}`}
                  </b>
                  <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
                    {l.by ? `${l.by}, ` : ""}
                    {dayAndTime(l.madeAt)}; until {dayAndTime(l.endsAt)}
                  </Box>
                </>
              }
            >
              <Press
                size="small"
                aria-label={`Take it back: ${l.for ?? l.role}, ${dayAndTime(l.madeAt)}`}
                act={async () => {
                  if (
                    await ask(() =>
                      api.POST("/api/people/links/{link}/end", {
                        params: { path: { link: l.id } },
                      }),
                    )
                  ) {
                    setLink(null);
                    await anew();
                  }
                }}
              >
                Take it back
              </Press>
            </Line>
          ))}
        </Box>
      )}
      {link && (
        <Box
          role="status"
          sx={{ p: 1.5, border: 2, borderColor: "primary.main" }}
        >
          {link.says}
          <TextField
            fullWidth
            size="small"
            label="Link"
            value={address(link.path)}
            sx={{ my: 1.5 }}
            slotProps={{ htmlInput: { readOnly: true } }}
            onFocus={(e) => {
              e.target.select();
            }}
          />
          <Press
            variant="outlined"
            act={() => navigator.clipboard.writeText(address(link.path))}
          >
            Copy it
          </Press>
          <Elsewhere path={link.path} />
        </Box>
      )}
      {owns && <SettledOnce shop={shop.data} anew={anew} />}
      {me.role !== "viewer" && <OurWays />}
      {(owns || me.role === "fitter") && <CalendarFeed />}
      {owns && <WholeShop />}
    </Box>
  );
}

function PersonLine({
  person,
  roles,
  owns,
  setRole,
  remove,
  password,
}: {
  person: Schemas["Colleague"];
  roles: Schemas["RoleView"][];
  owns: boolean;
  setRole: (role: Role) => Promise<void>;
  remove: () => Promise<void>;
  password: () => Promise<void>;
}) {
  const role = roles.find((r) => r.role === person.role);
  return (
    <Line
      about={
        <>
          <b>{person.name}</b>
          {person.isMe && ", you"}
          <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
            {person.userName} ·{" "}
            {person.seenAt
              ? `last seen ${dayAndTime(person.seenAt)}`
              : "not signed in yet"}
          </Box>
          <Box sx={{ fontSize: "0.9rem" }}>{role?.may}</Box>
        </>
      }
    >
      {owns ? (
        <>
          <TextField
            select
            fullWidth={false}
            size="small"
            label={`Role of ${person.name}`}
            value={person.role}
            sx={{ minWidth: 150 }}
            onChange={(e) => {
              void setRole(e.target.value as Role);
            }}
          >
            {roles.map((r) => (
              <MenuItem key={r.role} value={r.role}>
                {r.said}
              </MenuItem>
            ))}
          </TextField>
          <Press
            size="small"
            aria-label={`Forgot the password: a link for ${person.name}`}
            act={password}
          >
            Forgot the password
          </Press>
          {!person.isMe && (
            <Surely
              says="Leaves"
              label={`Leaves: ${person.name}`}
              sure={`${person.name} is out from now on: yes`}
              act={remove}
            />
          )}
        </>
      ) : (
        <Box sx={{ minWidth: 110 }}>{role?.said}</Box>
      )}
    </Line>
  );
}

function Invite({
  roles,
  make,
}: {
  roles: Schemas["RoleView"][];
  make: (role: Role) => Promise<void>;
}) {
  const [role, setRole] = useState<Role>("fitter");
  return (
    <Box component="section">
      <Typography variant="h2">Somebody comes</Typography>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1.5,
          alignItems: "center",
          mt: 1.5,
        }}
      >
        <TextField
          select
          fullWidth={false}
          size="small"
          label="As"
          value={role}
          sx={{ minWidth: 150 }}
          onChange={(e) => {
            setRole(e.target.value as Role);
          }}
        >
          {roles.map((r) => (
            <MenuItem key={r.role} value={r.role}>
              {r.said}
            </MenuItem>
          ))}
        </TextField>
        <Press variant="contained" act={() => make(role)}>
          Make a link
        </Press>
        <Typography color="text.secondary">
          {roles.find((r) => r.role === role)?.may}
        </Typography>
      </Box>
    </Box>
  );
}
