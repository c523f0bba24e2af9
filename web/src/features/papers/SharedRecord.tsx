import { useQueries, useQuery } from "@tanstack/react-query";
import { api, must } from "../../api/client";
import { dayOfYear } from "../../shared/time";
import { LinkIsOver, SharedPage, sharedToken } from "./SharedPage";
import { zone } from "./usePapers";

async function fetchPicture(token: string, sha256: string): Promise<Blob> {
  const answer = await fetch("/api/shared/picture", {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ token, sha256 }),
  });
  if (!answer.ok) {
    throw new Error("The photograph does not come.");
  }
  return answer.blob();
}

/** The record as its owner reads it, without signing in. */
export default function SharedRecord() {
  const token = sharedToken();
  const record = useQuery({
    queryKey: ["shared-record", token],
    retry: false,
    queryFn: async () =>
      must(
        await api.POST("/api/shared/record", {
          body: { token, zone: zone() },
        }),
      ),
  });
  const names = [
    ...new Set(
      (record.data?.record.sections ?? []).flatMap((s) =>
        s.pictures.map((p) => p.sha256),
      ),
    ),
  ];
  const pictures = useQueries({
    queries: names.map((sha256) => ({
      queryKey: ["shared-picture", token, sha256],
      staleTime: Infinity,
      queryFn: async () =>
        URL.createObjectURL(await fetchPicture(token, sha256)),
    })),
  });
  if (record.isPending) {
    return null;
  }
  if (record.isError) {
    return <LinkIsOver why={record.error} />;
  }
  const { shop, endsAt, record: paper } = record.data;
  return (
    <SharedPage
      shop={shop}
      says={`To be read${endsAt ? ` until ${dayOfYear(endsAt)}` : ""}. Ask the shop about anything in it.`}
      paper={paper}
      picture={(sha256) => pictures[names.indexOf(sha256)]?.data ?? null}
      fetchPicture={(sha256) => fetchPicture(token, sha256)}
    />
  );
}
