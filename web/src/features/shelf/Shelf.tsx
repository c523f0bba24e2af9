import { shop } from "../../api/job";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link as To } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { inMm } from "../../shared/length";
import { useDraft } from "../../shared/useDraft";
import { usePartKinds } from "../../shared/useKinds";
import { useParts } from "../../shared/useParts";
import { partWords } from "../../api/words";
import { isPart } from "../../shared/parts";
import { usePlatforms } from "../../shared/usePlatforms";
import { mayFit } from "./fit";
import { PartForm } from "./PartForm";
import { blankKit, blankPart, editPart, type PartText } from "./part";
import { Platforms } from "./Platforms";
import { Bin } from "./Bin";
import { ShelfFiles } from "./ShelfFiles";
import { ShelfLine } from "./ShelfLine";

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
  const wanted = useQuery({
    queryKey: ["parts", "wanted"],
    queryFn: async () => must(await api.GET("/api/parts/wanted")),
  });
  const planned = new Map(wanted.data?.map((w) => [w.partId, w.count]));
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
        <Link component={To} to="/instruments">
          Tapes and gauges
        </Link>
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
          <ShelfLine
            key={row.part.id}
            row={row}
            planned={planned.get(row.part.id) ?? 0}
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
