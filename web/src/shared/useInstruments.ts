import { useQuery } from "@tanstack/react-query";
import { api, must } from "../api/client";
import { remembered } from "../api/job";

/** The shop's instruments; without a network, as this device saw them last. */
export function useInstruments() {
  return useQuery({
    queryKey: ["instruments"],
    queryFn: () =>
      remembered("instruments", async () =>
        must(await api.GET("/api/instruments")),
      ),
  });
}
