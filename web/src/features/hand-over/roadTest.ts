import type { Schemas } from "../../api/client";
import { roadQuestions, roadTroubles } from "../../api/words";
import type { Lines } from "../../shared/BothWays";

type Question = Schemas["RoadQuestion"];

/** Answers as they are typed. */
export type Answers = Partial<
  Record<Question, { trouble: Schemas["RoadTrouble"]; note: string }>
>;

/** Stored answers as they are typed again. */
export const answersOf = (test: Schemas["RoadTest"] | undefined): Answers =>
  Object.fromEntries(
    (test?.answers ?? []).map((a) => [
      a.question,
      { trouble: a.trouble, note: a.note ?? "" },
    ]),
  );

/** What is sent: questions that were tried. */
export const filled = (answers: Answers): Schemas["RoadAnswer"][] =>
  (Object.keys(roadQuestions) as Question[]).flatMap((question) => {
    const answer = answers[question];
    return answer
      ? [
          {
            question,
            trouble: answer.trouble,
            note: answer.trouble === "none" ? null : answer.note.trim() || null,
          },
        ]
      : [];
  });

/** Answers side by side with somebody else's. */
export const linesOf = (answers: Answers): Lines =>
  Object.fromEntries(
    (Object.keys(roadQuestions) as Question[]).map((q) => {
      const answer = answers[q];
      return [
        roadQuestions[q],
        answer
          ? [roadTroubles[answer.trouble], answer.note]
              .filter(Boolean)
              .join(", ")
          : "",
      ];
    }),
  );

/** Answers with no trouble where nothing was answered yet. */
export const withRest = (answers: Answers): Answers =>
  Object.fromEntries(
    (Object.keys(roadQuestions) as Question[]).map((q) => [
      q,
      answers[q] ?? { trouble: "none", note: "" },
    ]),
  );
