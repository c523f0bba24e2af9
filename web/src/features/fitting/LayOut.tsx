import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useJob } from "../../api/job";
import { begunPlan } from "../../api/document";
import { useDraft } from "../../shared/useDraft";

/** Before it goes up: tools, people, and fasteners that must be new, in one list that can be ticked. */
export function LayOut({ done }: { done: ReadonlySet<string> }) {
  const view = useJob();
  const plan = begunPlan(view.document)?.id ?? "";
  const [ticked, setTicked] = useDraft<string[]>(`lay-out.${plan}`, []);
  const left = view.card.steps.filter((s) => !done.has(s.key));
  const tools = [...new Set(left.flatMap((s) => s.tools))];
  const fresh = new Map<string, number>();
  for (const joint of view.card.joints) {
    for (const f of joint.fasteners.filter((x) => x.newPartOnly)) {
      const name = `${f.position}${f.thread ? ` ${f.thread}` : ""}`;
      fresh.set(name, (fresh.get(name) ?? 0) + f.count);
    }
  }
  const lists = [
    { title: "Tools", items: tools },
    {
      title: "New, not used again",
      items: [...fresh].map(([name, n]) => `${n.toString()} × ${name}`),
    },
  ].filter((l) => l.items.length > 0);
  const people = Math.max(1, ...left.map((s) => s.people));
  if (left.length === 0) {
    return null;
  }
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <details open={done.size === 0}>
        <summary>
          <Typography variant="h2" component="span">
            Laid out before it goes up
          </Typography>
        </summary>
        {people > 1 && (
          <Typography>{people} people for some of the steps.</Typography>
        )}
        {lists.map((list) => (
          <Box key={list.title} sx={{ mt: 0.5 }}>
            <Typography sx={{ fontWeight: 650 }}>{list.title}</Typography>
            <Box sx={{ columns: { sm: 2 }, columnGap: 2 }}>
              {list.items.map((item) => (
                <FormControlLabel
                  key={item}
                  sx={{ display: "flex", breakInside: "avoid" }}
                  label={item}
                  control={
                    <Checkbox
                      size="small"
                      checked={ticked.includes(item)}
                      onChange={(_, on) => {
                        setTicked(
                          on
                            ? [...ticked, item]
                            : ticked.filter((t) => t !== item),
                        );
                      }}
                    />
                  }
                />
              ))}
            </Box>
          </Box>
        ))}
      </details>
    </Box>
  );
}
