import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { outbox } from "./api/job";
import { App } from "./app/App";
import { Broken } from "./app/Broken";
import { theme } from "./shared/theme";

const client = new QueryClient({
  defaultOptions: {
    // Without a network the device answers from what it saw last, so queries never wait for one.
    // When it is back, a page that could not be had is asked for again.
    queries: {
      retry: 1,
      staleTime: 5_000,
      networkMode: "always",
      refetchOnReconnect: true,
    },
    mutations: { networkMode: "always" },
  },
});
const root = document.getElementById("root");
if (!root) {
  throw new Error("index.html has no root");
}
void outbox.resume();
if (import.meta.env.PROD && "serviceWorker" in navigator) {
  void navigator.serviceWorker.register("/sw.js");
}
createRoot(root).render(
  <StrictMode>
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Broken>
            <App />
          </Broken>
        </BrowserRouter>
      </QueryClientProvider>
    </ThemeProvider>
  </StrictMode>,
);
