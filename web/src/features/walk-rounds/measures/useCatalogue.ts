import { useQuery } from "@tanstack/react-query";
import { api, must } from "../../../api/client";
import { remembered } from "../../../api/job";

/** Every measure that there is beside heights; empty until it is here. */
export function useCatalogue() {
  const catalogue = useQuery({
    queryKey: ["measures"],
    queryFn: () =>
      remembered("measures", async () => must(await api.GET("/api/measures"))),
    staleTime: Infinity,
  });
  return catalogue.data ?? [];
}
