import { CssBaseline, ThemeProvider } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";

import { FitRoom } from "../rooms/fit/FitRoom";
import { Shell } from "./Shell";
import { theme } from "./theme";

const queries = new QueryClient({
  defaultOptions: { queries: { retry: 1, staleTime: 30_000, refetchOnWindowFocus: false } },
});

export function App() {
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline enableColorScheme />
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Routes>
            <Route element={<Shell />}>
              <Route path="/fit" element={<FitRoom state="choose" />} />
              <Route path="/fit/weigh" element={<FitRoom state="weigh" />} />
              <Route path="/fit/bake" element={<FitRoom state="bake" />} />
              <Route path="*" element={<Navigate to="/fit" replace />} />
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </ThemeProvider>
  );
}
