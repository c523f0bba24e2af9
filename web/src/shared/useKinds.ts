import { useQuery } from "@tanstack/react-query";
import { api, must } from "../api/client";
import { remembered } from "../api/job";

/** Every kind of part with its rule; empty until it is here. */
export function usePartKinds() {
  const kinds = useQuery({
    queryKey: ["part-kinds"],
    queryFn: () =>
      remembered("part-kinds", async () =>
        must(await api.GET("/api/part-kinds")),
      ),
    staleTime: Infinity,
  });
  return kinds.data ?? [];
}

/** Every kind of suspension with what is taped of it; empty until it is here. */
export function useSuspensionKinds() {
  const kinds = useQuery({
    queryKey: ["suspensions"],
    queryFn: () =>
      remembered("suspensions", async () =>
        must(await api.GET("/api/suspensions")),
      ),
    staleTime: Infinity,
  });
  return kinds.data ?? [];
}
