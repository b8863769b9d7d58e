import { Button, Snackbar } from "@mui/material";
import { useState } from "react";

import { LinkIcon } from "../../../ui/icons";

/** Copy the address, which holds the whole fit. */
export function CopyLink() {
  const [said, setSaid] = useState("");
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(window.location.href);
      setSaid("Link copied. It brings this fit back.");
    } catch {
      setSaid("This browser does not let me copy. Copy the address from the address bar.");
    }
  };
  return (
    <>
      <Button startIcon={<LinkIcon />} onClick={() => void copy()}>
        Copy link
      </Button>
      <Snackbar
        open={said !== ""}
        message={said}
        autoHideDuration={4000}
        onClose={() => setSaid("")}
      />
    </>
  );
}
