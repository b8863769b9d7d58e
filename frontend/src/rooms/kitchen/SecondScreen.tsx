import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { queryOptions, useMutation, useQuery } from "@tanstack/react-query";

import { answered, client } from "../../api/client";

const sharingQuery = () =>
  queryOptions({
    queryKey: ["sharing"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/sharing", { signal })),
  });

/** The kitchen on its own network: how it is opened, where it is found, who is signed in. */
export function SecondScreen() {
  const sharing = useQuery(sharingQuery());
  const out = useMutation({
    mutationFn: async () => {
      answered(await client.POST("/api/sharing/sign-out"));
    },
    onSuccess: () => window.location.assign("/sign-in"),
  });
  if (sharing.isError) return <Alert severity="error">{sharing.error.message}</Alert>;
  if (!sharing.data) return <LinearProgress aria-label="Looking at the door" />;
  const now = sharing.data;
  if (!now.shared) {
    return (
      <Box sx={{ pt: 1, display: "grid", gap: 1 }}>
        <Typography>
          Only this machine can reach this kitchen. To read it on a tablet or a phone, stop it and
          start it with
        </Typography>
        <Box
          component="code"
          sx={(t) => ({ p: 1, borderRadius: 1, bgcolor: t.vars.palette.bench.butterTint })}
        >
          make run SHARE=1
        </Box>
        <Typography>
          You choose a passphrase here first; other screens sign in with it once.
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          Only on a network you trust, your own at home: what goes over it is not encrypted. Where
          others use the network too, add TLS=1: it encrypts, by a certificate made on this machine.
        </Typography>
      </Box>
    );
  }
  return (
    <Box sx={{ pt: 1, display: "grid", gap: 1, justifyItems: "start" }}>
      <Typography>
        This kitchen is open to its own network. Open one of these on the other screen, and sign in
        there with the passphrase:
      </Typography>
      {now.addresses.map((address) => (
        <Typography key={address} sx={{ fontWeight: 700, fontSize: "size.strong" }}>
          {address}
        </Typography>
      ))}
      {now.addresses.length === 0 && (
        <Alert severity="warning">
          This machine has no address on a network. Join one, then start Entremet again.
        </Alert>
      )}
      {now.qr !== null && (
        <Box
          component="img"
          src={now.qr}
          alt={`A code that opens ${now.addresses[0] ?? ""}`}
          sx={{ width: 174, height: 174, borderRadius: 1 }}
        />
      )}
      {now.fingerprint !== "" && <Fingerprint of={now.fingerprint} />}
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        The code carries the address, never the passphrase.{" "}
        {now.fingerprint === "" &&
          "Only on a network you trust: what goes over it is not encrypted; started with TLS=1 it is. "}
        A new passphrase is chosen on this machine with “make passphrase”.
      </Typography>
      <Typography>
        {now.signed_in === 1
          ? "One screen is signed in: this one."
          : `${String(now.signed_in)} screens are signed in, this one among them.`}
      </Typography>
      <Button variant="outlined" disabled={out.isPending} onClick={() => out.mutate()}>
        Sign every screen out
      </Button>
      {out.isError && <Alert severity="error">{out.error.message}</Alert>}
    </Box>
  );
}

/** What the other screen has to name before anybody goes on past its warning. */
function Fingerprint({ of }: { of: string }) {
  const pairs = of.split(":");
  const rows = [0, 8, 16, 24].map((start) => pairs.slice(start, start + 8).join(" "));
  return (
    <Box sx={{ maxWidth: 560 }}>
      <Typography>
        The other screen warns once that nobody vouches for this machine. Look there at the
        certificate, and go on only if its SHA‑256 fingerprint is this one:
      </Typography>
      <Box
        component="code"
        aria-label={`Fingerprint ${of}`}
        sx={(t) => ({
          display: "inline-block",
          whiteSpace: "pre",
          mt: 1,
          p: 1,
          borderRadius: 1,
          bgcolor: t.vars.palette.bench.butterTint,
        })}
      >
        {rows.join("\n")}
      </Box>
    </Box>
  );
}
