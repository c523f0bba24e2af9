import { useQuery } from "@tanstack/react-query";
import { api, must } from "../api/client";

/** The shop's list of platforms, with what tells vehicles of each apart. */
export function usePlatforms() {
  return useQuery({
    queryKey: ["platforms"],
    queryFn: async () => must(await api.GET("/api/platforms")),
  });
}
