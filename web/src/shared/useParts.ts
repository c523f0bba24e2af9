import { useQuery } from "@tanstack/react-query";
import { api, must } from "../api/client";
import { remembered } from "../api/job";

/** The shop's shelf; without a network, as this device saw it last. */
export function useParts() {
  return useQuery({
    queryKey: ["parts"],
    queryFn: () =>
      remembered("parts", async () => must(await api.GET("/api/parts"))),
  });
}
