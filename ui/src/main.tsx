import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { Trouble } from "./client/api";
import { keepSeen, takeUp } from "./client/kept";
import { Gate } from "./Gate";
import "./index.css";
import { fetchScreen } from "./screens";

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 60_000,
      networkMode: "always", // a laptop without a network still has its kitchen's server
      retry: (failures, error) =>
        !(error instanceof Trouble) || error.problem.status > 500 || (error.problem.status === 500 && failures < 2),
      retryDelay: (failures) => Math.min(400 * 2 ** failures, 4000),
    },
  },
});

fetchScreen(location.pathname);
takeUp(client);
keepSeen(client);

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter useTransitions={false}>
          <Gate>
            <App />
          </Gate>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
