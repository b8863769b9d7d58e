import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { CssBaseline, ThemeProvider } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";

import { holdWhilePressed } from "../api/pressed";
import { listen } from "../api/topics";
import { Shell } from "./Shell";
import { lazily } from "../ui/lazily";
import { theme } from "../ui/theme";

const FitRoom = lazily(() => import("../rooms/fit/FitRoom").then((room) => room.FitRoom));
const RecipesRoom = lazily(() =>
  import("../rooms/recipes/list/RecipesRoom").then((room) => room.RecipesRoom),
);
const PasteRoom = lazily(() =>
  import("../rooms/recipes/paste/PasteRoom").then((room) => room.PasteRoom),
);
const BookRoom = lazily(() =>
  import("../rooms/recipes/book/BookRoom").then((room) => room.BookRoom),
);
const PansRoom = lazily(() => import("../rooms/pans/PansRoom").then((room) => room.PansRoom));
const OrdersRoom = lazily(() =>
  import("../rooms/orders/OrdersRoom").then((room) => room.OrdersRoom),
);
const DayRoom = lazily(() => import("../rooms/day/DayRoom").then((room) => room.DayRoom));
const LogbookRoom = lazily(() =>
  import("../rooms/logbook/LogbookRoom").then((room) => room.LogbookRoom),
);
const LabelRoom = lazily(() => import("../rooms/label/LabelRoom").then((room) => room.LabelRoom));
const KitchenRoom = lazily(() =>
  import("../rooms/kitchen/KitchenRoom").then((room) => room.KitchenRoom),
);
const WelcomeRoom = lazily(() =>
  import("../rooms/welcome/WelcomeRoom").then((room) => room.WelcomeRoom),
);
const LearnRoom = lazily(() => import("../rooms/learn/LearnRoom").then((room) => room.LearnRoom));
const GuideRoom = lazily(() => import("../rooms/guide/GuideRoom").then((room) => room.GuideRoom));
const DeskRoom = lazily(() =>
  import("../rooms/recipes/desk/DeskRoom").then((room) => room.DeskRoom),
);

// A link to a fit fetches the bench and its first state side by side, not one after the other.
if (window.location.pathname.startsWith("/fit")) {
  void import("../rooms/fit/FitRoom");
  void import("../rooms/fit/choose/ChooseState");
}

// Styles written by script are let in by the nonce that the page was sent with.
const nonce = document.querySelector<HTMLMetaElement>("meta[name=style-nonce]")?.content;
const styles = createCache({ key: "css", ...(nonce ? { nonce } : {}) });

const queries = new QueryClient({
  defaultOptions: { queries: { retry: 1, staleTime: 30_000, refetchOnWindowFocus: false } },
});

listen(queries);
holdWhilePressed();

export function App() {
  return (
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline enableColorScheme />
        <QueryClientProvider client={queries}>
          <BrowserRouter>
            <Routes>
              <Route element={<Shell />}>
                <Route path="/fit" element={<FitRoom state="choose" />} />
                <Route path="/fit/weigh" element={<FitRoom state="weigh" />} />
                <Route path="/fit/bake" element={<FitRoom state="bake" />} />
                <Route path="/fit/finish" element={<FitRoom state="finish" />} />
                <Route path="/pans" element={<PansRoom />} />
                <Route path="/orders" element={<OrdersRoom />} />
                <Route path="/day" element={<DayRoom />} />
                <Route path="/day/:id" element={<DayRoom />} />
                <Route path="/logbook" element={<LogbookRoom view="bakes" />} />
                <Route path="/logbook/taught" element={<LogbookRoom view="taught" />} />
                <Route path="/logbook/compare" element={<LogbookRoom view="compare" />} />
                <Route path="/learn" element={<LearnRoom view="guess" />} />
                <Route path="/learn/spoil" element={<LearnRoom view="spoil" />} />
                <Route path="/learn/class" element={<LearnRoom view="class" />} />
                <Route path="/guide" element={<GuideRoom />} />
                <Route path="/guide/:page" element={<GuideRoom />} />
                <Route path="/label" element={<LabelRoom />} />
                <Route path="/kitchen" element={<KitchenRoom />} />
                <Route path="/welcome" element={<WelcomeRoom />} />
                <Route path="/recipes" element={<RecipesRoom />} />
                <Route path="/recipes/book" element={<BookRoom />} />
                <Route path="/recipes/paste" element={<PasteRoom />} />
                <Route path="/recipes/new" element={<DeskRoom />} />
                <Route path="/recipes/:id" element={<DeskRoom />} />
                <Route path="*" element={<Navigate to="/fit" replace />} />
              </Route>
            </Routes>
          </BrowserRouter>
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  );
}
