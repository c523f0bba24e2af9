import { shop } from "../../api/job";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { knownWords, quantityText } from "../../shared/quantity";
import { dayText } from "../../shared/time";
import { useDraft } from "../../shared/useDraft";
import { usePartKinds } from "../../shared/useKinds";
import { useParts } from "../../shared/useParts";
import { partWords } from "../../api/words";
import { isPart } from "../../shared/parts";
import { usePlatforms } from "../../shared/usePlatforms";
import { mayFit } from "./fit";
import { PartForm } from "./PartForm";
import { claimsOf } from "../kits/kit";
import { blankKit, blankPart, editPart, type PartText } from "./part";
import { Platforms } from "./Platforms";
import { ShelfFiles } from "./ShelfFiles";

const order = Object.keys(partWords);

function byKindAndThickness(
  { part: a }: Schemas["ShelfPart"],
  { part: b }: Schemas["ShelfPart"],
): number {
  const thick = (p: Schemas["Part"]) =>
    p.thickness ? inMm(p.thickness) : Number.MAX_VALUE;
  return (
    order.indexOf(a.kind) - order.indexOf(b.kind) ||
    thick(a) - thick(b) ||
    a.name.localeCompare(b.name)
  );
}

/** So many are shown at once, on a phone and elsewhere; the rest is found, or shown when it is asked for. */
const atOnce = { phone: 8, desk: 30 };

/** The parts at hand. Thickness and claim are two numbers: one is taped, the other is what a box says. */
export default function Shelf() {
  const client = useQueryClient();
  const kinds = usePartKinds();
  const parts = useParts();
  const [draft, setDraft, clear] = useDraft<PartText | null>("part", null);
  const [find, setFind] = useState("");
  const [kind, setKind] = useState("");
  const [platform, setPlatform] = useState("");
  const phone = useMediaQuery((theme) => theme.breakpoints.down("sm"));
  const few = phone ? atOnce.phone : atOnce.desk;
  /** So many more than a few were asked for. */
  const [more, setMore] = useState(0);
  const most = few + more;
  const platforms = usePlatforms().data ?? [];
  const all = (parts.data ?? []).toSorted(byKindAndThickness);
  const found = all.filter(
    ({ part: p }) =>
      (kind === "" || p.kind === kind) &&
      (platform === "" || mayFit(p, platform)) &&
      isPart(p, find.trim()),
  );
  const takeOff = async (id: string) => {
    await shop({ kind: "binPart", id });
    await client.invalidateQueries({ queryKey: ["parts"] });
  };
  const choose = (set: (value: string) => void) => ({
    onChange: (e: { target: { value: string } }) => {
      set(e.target.value);
      setMore(0);
    },
  });
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1080 }}
    >
      <Box
        sx={{ display: "flex", alignItems: "center", gap: 2, flexWrap: "wrap" }}
      >
        <Typography variant="h1" sx={{ flex: 1 }}>
          Shelf
        </Typography>
        <Button
          variant="contained"
          onClick={() => {
            setDraft(blankPart());
          }}
        >
          Put a part on the shelf
        </Button>
        <Button
          variant="outlined"
          onClick={() => {
            setDraft(blankKit());
          }}
        >
          Put a kit on the shelf
        </Button>
      </Box>
      <Typography color="text.secondary" sx={{ my: 1 }}>
        Thickness is what the tape says between the faces. The claim is what the
        box says it lifts. Neither is the lift.
      </Typography>
      {draft && (
        <PartForm
          key={draft.id}
          draft={draft}
          kinds={kinds}
          onChange={setDraft}
          onDone={clear}
        />
      )}
      {all.length > 0 && (
        <Box
          role="search"
          sx={{
            display: "grid",
            gap: 1,
            gridTemplateColumns: { xs: "1fr 1fr", sm: "2fr 1fr 1fr" },
          }}
        >
          <TextField
            label="Find by name, number or what it is"
            size="small"
            value={find}
            {...choose(setFind)}
            sx={{ gridColumn: { xs: "1 / -1", sm: "auto" } }}
          />
          <TextField
            select
            label="Kind"
            size="small"
            value={kind}
            {...choose(setKind)}
          >
            <MenuItem value="">every kind</MenuItem>
            {order
              .filter((k) => all.some(({ part }) => part.kind === k))
              .map((k) => (
                <MenuItem key={k} value={k}>
                  {partWords[k as Schemas["PartKind"]].said}
                </MenuItem>
              ))}
          </TextField>
          <TextField
            select
            label="May fit"
            size="small"
            value={platform}
            {...choose(setPlatform)}
          >
            <MenuItem value="">every platform</MenuItem>
            {platforms.map((p) => (
              <MenuItem key={p.id} value={p.name}>
                {p.name}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      )}
      {all.length > 0 && (
        <Typography role="status" color="text.secondary" sx={{ mt: 0.5 }}>
          {found.length === all.length
            ? `${all.length.toString()} parts`
            : `${found.length.toString()} of ${all.length.toString()} parts`}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0, mt: 0 }}>
        {found.slice(0, most).map((row, i, shown) => (
          <Line
            key={row.part.id}
            row={row}
            first={row.part.kind !== shown[i - 1]?.part.kind}
            kinds={kinds}
            phone={phone}
            onChange={() => {
              setDraft(editPart(row));
              window.scrollTo({ top: 0 });
            }}
            onTakeOff={() => void takeOff(row.part.id)}
          />
        ))}
      </Box>
      {found.length > most && (
        <Button
          variant="outlined"
          onClick={() => {
            setMore(more + 100);
          }}
        >
          Show more: {(found.length - most).toString()} are not shown
        </Button>
      )}
      {all.length > 0 && found.length === 0 && (
        <Typography>Nothing on the shelf is called that.</Typography>
      )}
      {parts.data?.length === 0 && (
        <Typography>
          The shelf is empty. Put the first part on it: its thickness taped, its
          claim as the box says.
        </Typography>
      )}
      <Bin />
      <ShelfFiles />
      <Platforms />
    </Box>
  );
}

function Line({
  row: { part, fits },
  first,
  kinds,
  phone,
  onChange,
  onTakeOff,
}: {
  row: Schemas["ShelfPart"];
  first: boolean;
  kinds: Schemas["PartKindView"][];
  phone: boolean;
  onChange: () => void;
  onTakeOff: () => void;
}) {
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const kind = kinds.find((k) => k.rule.kind === part.kind);
  const amount = kind?.rule.amount ?? null;
  const sizes = Object.entries(part.dimensions).map(
    ([name, q]) =>
      `${kind?.sizes.find((s) => s.name === name)?.label ?? name} ${["mm", "in"].includes(q.unit) ? showText(inMm(q), unit) : quantityText(q)}`,
  );
  const facts = [
    part.thickness
      ? `${amount === "Thickness" ? "" : `${amount ?? ""} `}${showText(inMm(part.thickness), unit)}${amount === "Thickness" ? " thick" : ""}, ${knownWords[part.thickness.known]}`
      : amount === null
        ? part.kind === "kit" && !part.contents
          ? "nobody noted what is in the box"
          : null
        : "thickness unknown: no prediction until somebody measures it",
    part.kind === "kit"
      ? claimsOf(part, unit)
      : part.claim && `claims ${showText(inMm(part.claim), unit)}`,
    part.contents?.pieces
      .map((p) => `${p.count.toString()} ${p.name}`)
      .join(", "),
    ...sizes,
    part.leaves.length > 0 ? `${part.leaves.length.toString()} leaves` : null,
    part.price !== null
      ? `${part.price.toFixed(2)} ${part.currency ?? ""}`.trim()
      : null,
    part.supplier && `from ${part.supplier}`,
    part.dueOn && `comes ${dayText(part.dueOn)}`,
    part.hours && `${part.hours.value.toString()} ${part.hours.unit} to fit`,
    part.madeFor && `made for ${part.madeFor}`,
    part.limits && `maker: ${part.limits}`,
    fits,
  ].filter(Boolean);
  return (
    <>
      {first && (
        <Box
          component="li"
          sx={{
            pt: 1.5,
            pb: 0.25,
            borderBottom: 2,
            borderColor: "text.primary",
            fontWeight: 700,
          }}
        >
          {partWords[part.kind].said}
        </Box>
      )}
      <Box
        component="li"
        sx={{
          display: "flex",
          flexWrap: { xs: "wrap", sm: "nowrap" },
          columnGap: 2,
          alignItems: "center",
          borderBottom: 1,
          borderColor: "divider",
          py: 0.5,
        }}
      >
        <Box
          aria-hidden
          sx={{
            width: { xs: 26, sm: 44 },
            flex: "none",
            height: part.thickness
              ? Math.min(60, inMm(part.thickness) * 0.8)
              : 10,
            bgcolor: "secondary.main",
            opacity: part.thickness ? 1 : 0.35,
          }}
        />
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <b>{part.name}</b> {part.number}
          <Box
            sx={{
              color: "text.secondary",
              // On a phone one line until it is opened.
              ...(phone &&
                !open && {
                  whiteSpace: "nowrap",
                  overflow: "hidden",
                  textOverflow: "ellipsis",
                }),
            }}
          >
            {facts.join(" · ")}
          </Box>
        </Box>
        <Box sx={{ fontWeight: 700 }}>{part.count}</Box>
        {phone && (
          <Button
            aria-expanded={open}
            aria-label={`More of ${part.name}`}
            onClick={() => {
              setOpen(!open);
            }}
            sx={{ minWidth: 48, px: 1 }}
          >
            {open ? "▲" : "▼"}
          </Button>
        )}
        {(!phone || open) && (
          <Box
            sx={{
              display: "flex",
              gap: 1,
              flexBasis: { xs: "100%", sm: "auto" },
            }}
          >
            <Button
              variant="outlined"
              aria-label={`Change ${part.name}`}
              onClick={onChange}
            >
              Change
            </Button>
            <Button aria-label={`Take off ${part.name}`} onClick={onTakeOff}>
              Take off
            </Button>
          </Box>
        )}
      </Box>
    </>
  );
}

/** What was taken off: stacks keep their own copy, and it can be put back for 90 days. */
function Bin() {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const bin = useQuery({
    queryKey: ["parts", "bin"],
    queryFn: async () => must(await api.GET("/api/parts/bin")),
    enabled: open,
  });
  return (
    <Box
      component="details"
      onToggle={(e) => {
        setOpen((e.target as HTMLDetailsElement).open);
      }}
    >
      <Typography
        component="summary"
        sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
      >
        Taken off the shelf
      </Typography>
      <Typography color="text.secondary">
        Kept for 90 days. Stacks that were fitted keep their own copy for ever.
      </Typography>
      {bin.data?.length === 0 && <Typography>Nothing.</Typography>}
      {bin.data?.map(({ part }) => (
        <Box
          key={part.id}
          sx={{ display: "flex", gap: 2, alignItems: "center", py: 0.5 }}
        >
          <Box sx={{ flex: 1 }}>
            {part.name} {part.number}, {partWords[part.kind].said}
          </Box>
          <Button
            variant="outlined"
            aria-label={`Put back ${part.name}`}
            onClick={() => {
              void shop({ kind: "putPartBack", id: part.id }).then(() =>
                client.invalidateQueries({ queryKey: ["parts"] }),
              );
            }}
          >
            Put back
          </Button>
        </Box>
      ))}
    </Box>
  );
}
