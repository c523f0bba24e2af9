import createClient from "openapi-fetch";
import { asked } from "./asked";
import { practice } from "./practice";
import { Problem } from "./problem";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Unit = Schemas["Unit"];
export type JobView = Schemas["JobView"];

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: asked,
});

const exercise = practice;
if (exercise !== null) {
  api.use({
    onRequest({ request }) {
      request.headers.set("Nokko-Practice", exercise);
    },
  });
}

/** Turns an openapi-fetch answer into data or a Problem. */
export function must<T>(answer: {
  data?: T;
  error?: unknown;
  response: Response;
}): T {
  if (!answer.response.ok || answer.data === undefined) {
    throw Problem.of(answer.response.status, answer.error);
  }
  return answer.data;
}
