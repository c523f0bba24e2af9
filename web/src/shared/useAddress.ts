import { useQuery } from "@tanstack/react-query";
import { api, must } from "../api/client";

/** Where other devices reach Nokko; null where it serves its own machine alone. */
export const useAddress = () =>
  useQuery({
    queryKey: ["address"],
    staleTime: Infinity,
    queryFn: async () => must(await api.GET("/api/address")),
  }).data;
