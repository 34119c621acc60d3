import "@fontsource-variable/archivo/wdth.css";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { App } from "./app/App";
import { onNoAnswer, onSignInEnded, Problem } from "./shared/api/client";
import { connection } from "./shared/api/connection";
import { closeDrafts, hurryDrafts, warnOnClosing } from "./shared/drafts/draft";
import { tellCutText } from "./shared/ui/cutText";
import { theme } from "./shared/ui/theme";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
const cache = createCache({ key: "c", nonce, prepend: true });

const queries = new QueryClient({
  defaultOptions: {
    // The server is on this machine or this network: whether the device thinks it is online does not matter.
    mutations: { networkMode: "always" },
    queries: {
      networkMode: "always",
      staleTime: 5_000,
      // An answer that says no will say no again; only a lost connection is worth another try.
      retry: (count, error) => count < 2 && !(error instanceof Problem && error.status > 0),
    },
  },
});

onNoAnswer(() => connection.lost());
// The page asks who is signed in, and shows the door.
onSignInEnded(() => void queries.invalidateQueries({ queryKey: ["me"] }));
connection.onLeave(closeDrafts);
connection.onReturn(() => {
  hurryDrafts();
  void queries.invalidateQueries();
});
window.addEventListener("online", () => connection.hurry());
warnOnClosing();
tellCutText();

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme} defaultMode="light">
        <CssBaseline />
        <QueryClientProvider client={queries}>
          <App />
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);
