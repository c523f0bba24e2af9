import { matchPath } from "react-router";

/** A page of the application: what it is called, where the guide tells of it, and what its keys do. */
export interface PageHelp {
  path: string;
  title: string;
  /** Heading of docs/guide.md, as its anchor. */
  section: string;
  keys: readonly (readonly [keys: string, does: string])[];
}

const tape = [
  ["↑ ↓", "a division more or less; with Shift an inch, or a centimetre"],
] as const;

/** Every page that somebody who is signed in can open. */
export const pages: readonly PageHelp[] = [
  { path: "/", title: "Yard", section: "yard", keys: [] },
  { path: "/take-in", title: "Take in", section: "take-in", keys: [] },
  {
    path: "/week",
    title: "Week",
    section: "week",
    keys: [
      ["Shift ← →", "moves the booking that has the focus by an hour"],
      ["Shift ↑ ↓", "moves it to the bay above or below"],
      ["Enter", "opens it"],
    ],
  },
  { path: "/shelf", title: "Shelf", section: "shelf", keys: [] },
  {
    path: "/instruments",
    title: "Tapes and gauges",
    section: "tapes-and-gauges",
    keys: [],
  },
  { path: "/evidence", title: "Evidence", section: "evidence", keys: [] },
  {
    path: "/year",
    title: "The shop’s year",
    section: "the-shops-year",
    keys: [],
  },
  {
    path: "/bench/:sheet?",
    title: "Calculator",
    section: "calculator",
    keys: [],
  },
  { path: "/practice", title: "Practice bay", section: "practice", keys: [] },
  {
    path: "/practice/drills/:kind",
    title: "Drill",
    section: "practice",
    keys: [["Enter", "answers, and goes on to the next question"]],
  },
  {
    path: "/practice/:exercise",
    title: "Score",
    section: "practice",
    keys: [],
  },
  { path: "/guide/*", title: "Guide", section: "a-job-with-nokko", keys: [] },
  {
    path: "/vehicles/:vehicle",
    title: "Over the years",
    section: "over-the-years",
    keys: [],
  },
  { path: "/me", title: "Your own page", section: "shop-and-people", keys: [] },
  { path: "/shop", title: "Shop", section: "shop-and-people", keys: [] },
  {
    path: "/jobs/:job/take-in",
    title: "Take in",
    section: "take-in",
    keys: [],
  },
  { path: "/jobs/:job/vehicle", title: "Vehicle", section: "travel", keys: [] },
  {
    path: "/jobs/:job/walk-round",
    title: "Walk round",
    section: "measuring",
    keys: [
      ["Enter", "stores the reading and goes on to the next station"],
      ...tape,
      ["Page Down, Page Up", "the next station, the one before"],
      ["?", "in the field: how a reading may be typed"],
    ],
  },
  {
    path: "/jobs/:job/plan",
    title: "Plan",
    section: "plan",
    keys: [
      ["Delete", "on the cross of a part: takes it out"],
      ["← →", "there too: carries it to the next corner"],
    ],
  },
  {
    path: "/jobs/:job/plan/shopping",
    title: "What to buy",
    section: "shelf",
    keys: [],
  },
  {
    path: "/jobs/:job/plan/quote",
    title: "Quote",
    section: "offered-to-the-owner",
    keys: [],
  },
  {
    path: "/jobs/:job/geometry",
    title: "Geometry",
    section: "geometry",
    keys: [["← →", "on the slider: through the travel"]],
  },
  {
    path: "/jobs/:job/fit",
    title: "Fit",
    section: "fit",
    keys: [["Enter", "in a torque field: on to the next one"]],
  },
  {
    path: "/jobs/:job/fit/sheets",
    title: "Sheets",
    section: "fit",
    keys: [],
  },
  { path: "/jobs/:job/prove", title: "Prove", section: "prove", keys: [] },
  {
    path: "/jobs/:job/hand-over",
    title: "Hand over",
    section: "hand-over",
    keys: [["↑ ↓ ← →", "moves the cross of a hub; with Shift farther"]],
  },
];

/** Keys that do the same everywhere. */
export const everywhere: PageHelp["keys"] = [
  ["?", "these keys, outside of a field"],
  ["F2", "your last job on this device, where you left it"],
  ["Tab, Shift Tab", "on, and back"],
  ["Enter, Space", "presses what has the focus"],
  ["Escape", "closes what lies over the page"],
];

/** What is told of the page at an address; null where there is none. */
export const helpOf = (address: string): PageHelp | null =>
  pages.find((p) => matchPath({ path: p.path, end: true }, address)) ?? null;
