import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { draftPlans } from "../../api/document";
import { remembered, useJob } from "../../api/job";
import { PrintButton } from "../../shared/PrintButton";
import { Paper } from "../../shared/Paper";
import { ProblemNote } from "../../shared/ProblemNote";
import { dayText } from "../../shared/time";
import { BoltTable, TapeBolts } from "./BoltTable";
import { Tools } from "./Tools";
import { placeWords } from "./consequences";

const titles: Record<Schemas["BuyKind"], string> = {
  part: "Parts",
  fastener: "Fasteners",
  tool: "Tools that are missing",
  beside: "Beside the parts",
  work: "Not in the price",
};

const kinds = Object.keys(titles) as Schemas["BuyKind"][];

const money = (value: number, currency: string | null) =>
  `${value.toFixed(2)} ${currency ?? ""}`.trim();

/** A length of whole inches and a fraction stays on one line. */
const together = (text: string) =>
  text.replace(/(\d) (\d+\/\d)/g, "$1\u00a0$2");

/** What to get before the vehicle goes up: on paper, or as a table. */
export default function Shopping() {
  const view = useJob();
  const d = view.document;
  const [search, setSearch] = useSearchParams();
  const plans = [
    ...draftPlans(d),
    ...d.plans.filter((p) => p.begunAt !== null),
  ];
  const plan = plans.find((p) => p.id === search.get("plan")) ?? plans[0];
  const list = useQuery({
    queryKey: ["parts", "shopping", plan?.id, view.version],
    queryFn: () =>
      remembered(`shopping ${plan?.id ?? ""}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/plans/{plan}/shopping", {
            params: { path: { job: d.job.id, plan: plan?.id ?? "" } },
          }),
        ),
      ),
    enabled: plan !== undefined,
  });
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Box
        className="no-print"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 2 }}
      >
        <Typography variant="h1" sx={{ flex: 1, minWidth: 200 }}>
          What to buy
        </Typography>
        {plans.length > 1 && (
          <TextField
            select
            size="small"
            label="Plan"
            fullWidth={false}
            value={plan?.id ?? ""}
            onChange={(e) => {
              setSearch({ plan: e.target.value }, { replace: true });
            }}
            sx={{ minWidth: 200 }}
          >
            {plans.map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        {plan && (
          <Button
            variant="outlined"
            href={`/api/jobs/${d.job.id}/plans/${plan.id}/shopping.csv`}
            download
          >
            Out as CSV
          </Button>
        )}
        <PrintButton />
        <Button component={Link} to="../plan">
          Back to the plan
        </Button>
      </Box>
      <ProblemNote problem={list.error} />
      {!plan && <Typography>Plan a stack first.</Typography>}
      {plan && list.data && (
        <>
          <Sheet name={plan.name} list={list.data} document={d} />
          {list.data.bolts.length > 0 && plan.begunAt === null && (
            <TapeBolts plan={plan.id} rows={list.data.bolts} />
          )}
          {list.data.tools.length > 0 && <Tools tools={list.data.tools} />}
        </>
      )}
    </Box>
  );
}

function Sheet({
  name,
  list,
  document: d,
}: {
  name: string;
  list: Schemas["ShoppingList"];
  document: Schemas["JobDocument"];
}) {
  return (
    <Paper title="What to buy" sx={{ "& td, & th": { verticalAlign: "top" } }}>
      <h2>
        {d.vehicle.make} {d.vehicle.name}
        {d.vehicle.plate !== null && `, ${d.vehicle.plate}`}: {name}
      </h2>
      <Typography sx={{ fontWeight: 700, my: 1 }}>
        {list.waits
          ? list.dueOn !== null
            ? `▲ Parts are to come: not before ${dayText(list.dueOn)}.`
            : "▲ Parts are to be ordered: nobody noted when they come."
          : "✓ Every part of the plan is here."}
      </Typography>
      {kinds.map((kind) => {
        const lines = list.lines.filter((l) => l.kind === kind);
        return (
          lines.length > 0 && (
            <Lines
              key={kind}
              title={titles[kind]}
              lines={lines}
              priced={kind === "part"}
            />
          )
        );
      })}
      {list.bolts.length > 0 && <BoltTable rows={list.bolts} />}
      <Box sx={{ borderTop: "2px solid", mt: 1.5, pt: 1 }}>
        {list.sums.map((s) => (
          <Box key={s.currency}>
            Parts of the plan <b>{money(s.all, s.currency)}</b>
            {s.toOrder > 0 && (
              <>
                , of it to order <b>{money(s.toOrder, s.currency)}</b>
              </>
            )}
          </Box>
        ))}
        {list.unpriced > 0 && (
          <Box>
            Without a price: {list.unpriced.toString()}{" "}
            {list.unpriced === 1 ? "line" : "lines"} of parts.
          </Box>
        )}
        <Box>
          Fasteners, what stands beside the parts, and what is not in the price
          come on top.
        </Box>
      </Box>
    </Paper>
  );
}

function Lines({
  title,
  lines,
  priced,
}: {
  title: string;
  lines: Schemas["BuyLine"][];
  priced: boolean;
}) {
  return (
    <table style={{ tableLayout: "fixed" }}>
      <caption
        style={{ textAlign: "left", fontWeight: 700, padding: "10px 0 2px" }}
      >
        {title}
      </caption>
      <thead>
        <tr>
          <th scope="col" style={{ width: "4.2em" }}>
            {priced ? "Pieces" : ""}
          </th>
          <th scope="col" style={{ width: "52%" }}>
            What
          </th>
          <th scope="col">{priced ? "Here, or to order" : "Why"}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((l, i) => (
          <tr key={i}>
            <td>
              {l.count !== null ? `${l.count.toString()} ×` : ""}
              {priced ? "" : l.count === null && l.word}
            </td>
            <td>
              <b>{together(l.what)}</b>, {placeWords[l.where] ?? l.where}
              {l.price !== null && ` · ${money(l.price, l.currency)} each`}
            </td>
            <td>
              {priced
                ? [
                    l.toOrder === 0
                      ? "here"
                      : `order ${(l.toOrder ?? 0).toString()}`,
                    l.toOrder !== 0 && l.supplier,
                    l.dueOn !== null && `comes ${dayText(l.dueOn)}`,
                    l.why,
                  ]
                    .filter(Boolean)
                    .join(" · ")
                : l.why}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
