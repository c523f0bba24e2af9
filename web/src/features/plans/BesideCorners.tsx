import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";

/** Each face scrolls by itself. */
const scrolls = { flex: 1, minHeight: 0, overflowY: { md: "auto" } } as const;

/** What stands beside the corners: the shelf, or stacks that are found. These are looked for once somebody asks, and stay when the shelf is looked at again. */
export function BesideCorners({
  found,
  children,
}: {
  found: React.ReactNode;
  /** The shelf. */
  children: React.ReactNode;
}) {
  // A link may ask for stacks to be found.
  const [query, setQuery] = useSearchParams();
  const [asked] = useState(query.has("find"));
  const [aside, setAside] = useState<"shelf" | "found">(
    asked ? "found" : "shelf",
  );
  const [sought, setSought] = useState(asked);
  useEffect(() => {
    if (query.has("find")) {
      setQuery({}, { replace: true });
    }
  }, [query, setQuery]);
  return (
    <Box
      sx={{
        minWidth: 0,
        // Beside the corners it scrolls by itself, so that they stay in view.
        maxHeight: { md: "max(380px, calc(100dvh - 400px))" },
        display: "flex",
        flexDirection: "column",
      }}
    >
      <Box
        role="group"
        aria-label="Beside the corners"
        sx={{ display: "flex", gap: 1, mb: 0.5 }}
      >
        <Button
          variant={aside === "shelf" ? "contained" : "outlined"}
          aria-pressed={aside === "shelf"}
          onClick={() => {
            setAside("shelf");
          }}
        >
          Shelf
        </Button>
        <Button
          variant={aside === "found" ? "contained" : "outlined"}
          aria-pressed={aside === "found"}
          onClick={() => {
            setAside("found");
            setSought(true);
          }}
        >
          Find stacks
        </Button>
      </Box>
      {sought && (
        <Box hidden={aside !== "found"} sx={scrolls}>
          {found}
        </Box>
      )}
      <Box hidden={aside !== "shelf"} sx={scrolls}>
        {children}
      </Box>
    </Box>
  );
}
