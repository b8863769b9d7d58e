import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { aboutQuery } from "../../api/queries/kitchen";

/** What this program is, where its data lies, what changed, and whose work ships with it. */
export function AboutPanel() {
  const about = useQuery(aboutQuery());
  const [open, setOpen] = useState<"news" | "packages" | null>(null);
  if (about.isError) return <Alert severity="error">{about.error.message}</Alert>;
  if (!about.data) return null;
  const { version, python, folder, news, packages } = about.data;
  const toggle = (part: "news" | "packages") => setOpen(open === part ? null : part);
  return (
    <>
      <Typography>
        Entremet {version}, on Python {python}.
        {folder && (
          <>
            {" "}
            Your data lies in{" "}
            <Box component="code" sx={{ overflowWrap: "anywhere" }}>
              {folder}
            </Box>
            .
          </>
        )}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        <Button size="small" component={Link} to="/guide">
          Guide
        </Button>
        <Button size="small" aria-expanded={open === "news"} onClick={() => toggle("news")}>
          What changed
        </Button>
        <Button size="small" aria-expanded={open === "packages"} onClick={() => toggle("packages")}>
          Licences
        </Button>
      </Box>
      {open === "news" &&
        news.map((one) => (
          <Box key={one.version}>
            <Typography component="h3" sx={{ fontWeight: 700, mt: 1 }}>
              {one.version}
            </Typography>
            <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
              {one.changes.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </Box>
          </Box>
        ))}
      {open === "packages" && (
        <Box
          component="table"
          sx={{ mt: 1, "& th, & td": { textAlign: "left", pr: 2, fontSize: "size.small" } }}
        >
          <caption style={{ textAlign: "left" }}>Ships with it, each under its licence</caption>
          <tbody>
            {packages.map((one) => (
              <tr key={one.name}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  {one.name} {one.version}
                </th>
                <td>{one.licence}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
    </>
  );
}
