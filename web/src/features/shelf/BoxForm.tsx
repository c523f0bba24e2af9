import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { partWords } from "../../api/words";
import { useUnit } from "../../shared/Length";
import { at } from "../../shared/ProblemNote";
import { cornerWords } from "../../shared/quantity";
import { fieldLabel, fieldUnit } from "../../shared/suspensions";
import { useParts } from "../../shared/useParts";
import { blankPiece, withFigures, type BoxText, type PieceText } from "./box";
import { KnownSelect } from "./KnownSelect";
import { kindsOffered } from "./kinds";

const places = ["LF RF", "LR RR", "LF RF LR RR", "LF", "RF", "LR", "RR"];

const placeSays = (place: string, perAxle: boolean) =>
  perAxle && place === "LF"
    ? "front, once"
    : perAxle && place === "LR"
      ? "rear, once"
      : place === "LF RF"
        ? "both front corners"
        : place === "LR RR"
          ? "both rear corners"
          : place === "LF RF LR RR"
            ? "all four corners"
            : (cornerWords[place] ?? place);

/** What is in a kit's box: its claims, its pieces with their own figures, and what its sheet says. */
export function BoxForm({
  box,
  kinds,
  problem,
  onChange,
}: {
  box: BoxText;
  kinds: Schemas["PartKindView"][];
  problem: Error | null;
  onChange: (box: BoxText) => void;
}) {
  const text = (
    key: Exclude<keyof BoxText, "pieces">,
    label: string,
    long = false,
  ) => (
    <TextField
      label={label}
      value={box[key]}
      multiline={long}
      minRows={long ? 2 : 1}
      onChange={(e) => {
        onChange({ ...box, [key]: e.target.value });
      }}
      {...at(problem, `contents.${key}`)}
    />
  );
  return (
    <>
      {text("frontClaim", "Claimed, in front")}
      {text("rearClaim", "Claimed, at the rear")}
      <Box
        component="section"
        aria-label="What is in the box"
        sx={{ gridColumn: "1 / -1" }}
      >
        <Typography variant="h2">What is in the box</Typography>
        <Typography color="text.secondary" sx={{ fontSize: "0.92rem" }}>
          Each piece with its own figures: what the plan will do is worked out
          from them, never from what the box claims.
        </Typography>
        {box.pieces.map((piece, i) => (
          <Piece
            key={i}
            i={i}
            piece={piece}
            kinds={kinds}
            problem={problem}
            onChange={(next) => {
              onChange({
                ...box,
                pieces: box.pieces.map((p, j) => (j === i ? next : p)),
              });
            }}
            onDrop={() => {
              onChange({
                ...box,
                pieces: box.pieces.filter((_, j) => j !== i),
              });
            }}
          />
        ))}
        <Button
          variant="outlined"
          onClick={() => {
            onChange({ ...box, pieces: [...box.pieces, blankPiece] });
          }}
          sx={{ mt: 1 }}
        >
          One more piece
        </Button>
        <Typography sx={{ color: "error.main" }}>
          {at(problem, "contents.pieces").helperText}
        </Typography>
      </Box>
      <Box
        component="section"
        aria-label="Its sheet"
        sx={{
          gridColumn: "1 / -1",
          display: "grid",
          gap: 1.5,
          gridTemplateColumns: "repeat(auto-fill, minmax(290px, 1fr))",
        }}
      >
        {text("source", "Its sheet: print and page")}
        {text("steps", "Steps of its own, a line each", true)}
        {text("torques", "Torques it names, a line each", true)}
        {text("warnings", "What it warns of, a line each", true)}
      </Box>
    </>
  );
}

function Piece({
  i,
  piece,
  kinds,
  problem,
  onChange,
  onDrop,
}: {
  i: number;
  piece: PieceText;
  kinds: Schemas["PartKindView"][];
  problem: Error | null;
  onChange: (piece: PieceText) => void;
  onDrop: () => void;
}) {
  const unit = useUnit();
  const parts = (useParts().data ?? [])
    .map((p) => p.part)
    .filter((p) => p.kind !== "kit");
  const kind = kinds.find((k) => k.rule.kind === piece.kind);
  const nth = `piece ${(i + 1).toString()}`;
  const field = (name: string) =>
    at(problem, `contents.pieces[${i.toString()}].${name}`);
  const text = (
    key: "name" | "count" | "thickness" | "extension",
    label: string,
  ) => (
    <TextField
      label={label}
      size="small"
      value={piece[key]}
      onChange={(e) => {
        onChange({ ...piece, [key]: e.target.value });
      }}
      slotProps={{ htmlInput: { "aria-label": `${label}, ${nth}` } }}
      {...field(key)}
    />
  );
  return (
    <Box
      role="group"
      aria-label={piece.name || nth}
      sx={{
        display: "grid",
        gap: 1,
        py: 1,
        borderBottom: 1,
        borderColor: "divider",
        gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
      }}
    >
      {text("name", "Piece")}
      {text("count", "How many")}
      <TextField
        select
        label="It is a"
        size="small"
        value={piece.kind}
        onChange={(e) => {
          onChange({
            ...piece,
            kind: e.target.value as PieceText["kind"],
            at: piece.at || "LF RF",
          });
        }}
        slotProps={{
          inputLabel: { shrink: true },
          select: { displayEmpty: true },
        }}
        {...field("part")}
      >
        <MenuItem value="">counted only</MenuItem>
        {kindsOffered.map((k) => (
          <MenuItem key={k} value={k}>
            {partWords[k].said}
          </MenuItem>
        ))}
      </TextField>
      {piece.kind !== "" && (
        <TextField
          select
          label="Goes to"
          size="small"
          value={piece.at}
          onChange={(e) => {
            onChange({ ...piece, at: e.target.value });
          }}
          {...field("at")}
        >
          {places.map((p) => (
            <MenuItem key={p} value={p}>
              {placeSays(p, kind?.rule.perAxle ?? false)}
            </MenuItem>
          ))}
        </TextField>
      )}
      {kind?.rule.amount && text("thickness", kind.rule.amount)}
      {kind?.rule.amount && (
        <KnownSelect
          label="That is"
          small
          known={piece.thicknessKnown}
          onChange={(thicknessKnown) => {
            onChange({ ...piece, thicknessKnown });
          }}
        />
      )}
      {piece.kind === "strutTopSpacer" && text("extension", "Its studs give")}
      {kind?.sizes.map((s) => (
        <TextField
          key={s.name}
          size="small"
          label={fieldLabel(
            s.label,
            fieldUnit(s.unit, unit, piece.stored[s.name]),
          )}
          value={piece.sizes[s.name] ?? ""}
          onChange={(e) => {
            onChange({
              ...piece,
              sizes: { ...piece.sizes, [s.name]: e.target.value },
            });
          }}
          {...field(s.name)}
        />
      ))}
      {piece.kind !== "" && parts.length > 0 && (
        <TextField
          select
          label="Like one on the shelf"
          size="small"
          value=""
          onChange={(e) => {
            const part = parts.find((p) => p.id === e.target.value);
            if (part) {
              onChange(
                withFigures({ ...piece, name: piece.name || part.name }, part),
              );
            }
          }}
        >
          {parts
            .filter((p) => p.kind === piece.kind)
            .map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name} {p.number}
              </MenuItem>
            ))}
          {parts.every((p) => p.kind !== piece.kind) && (
            <MenuItem disabled value="none">
              none of this kind
            </MenuItem>
          )}
        </TextField>
      )}
      <Button onClick={onDrop} aria-label={`Take it out: ${piece.name || nth}`}>
        Take it out
      </Button>
    </Box>
  );
}
