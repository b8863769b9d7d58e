import { Alert, Box, Button, Link as MuiLink, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate, useParams } from "react-router";

import type { GuidePage } from "../../api/client";
import { guideQuery } from "../../api/queries/kitchen";
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

/** The guide: six short pages, each a list of steps with pictures. */
export function GuideRoom() {
  const { page: name } = useParams();
  const pages = useQuery(guideQuery());
  const list = pages.data ?? [];
  const place = list.findIndex((one) => one.name === name);
  const page = list[place];
  if (pages.data && name !== undefined && !page) return <Navigate to="/guide" replace />;
  return (
    <Room>
      <RoomHead
        title={page?.title ?? "Guide"}
        more={
          page && (
            <Button component={Link} to="/guide" variant="outlined">
              All pages
            </Button>
          )
        }
      />
      {pages.isError && <Alert severity="error">{pages.error.message}</Alert>}
      {pages.isPending && <Waiting words="Opening the guide" />}
      {pages.data && !page && <Contents pages={list} />}
      {page && (
        <>
          <Steps page={page} />
          <Box sx={{ display: "flex", gap: 2, mt: 3 }}>
            <Near page={list[place - 1]} words="Before" />
            <Near page={list[place + 1]} words="Next" />
          </Box>
        </>
      )}
    </Room>
  );
}

function Contents({ pages }: { pages: readonly GuidePage[] }) {
  return (
    <Box component="ol" sx={{ m: 0, pl: 3, maxWidth: 720, "& > li": { mb: 2 } }}>
      {pages.map((one) => (
        <li key={one.name}>
          <MuiLink component={Link} to={`/guide/${one.name}`} sx={{ fontWeight: 700 }}>
            {one.title}
          </MuiLink>
          <Typography color="textSecondary">{one.lead}</Typography>
        </li>
      ))}
    </Box>
  );
}

function Steps({ page }: { page: GuidePage }) {
  return (
    <Box sx={{ maxWidth: 820 }}>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {page.lead}
      </Typography>
      <Box component="ol" sx={{ m: 0, pl: 3, "& > li": { mb: 2.5 } }}>
        {page.steps.map((step) => (
          <li key={step.say}>
            <Said words={step.say} />
            {step.picture && (
              <Box
                component="img"
                src={`${import.meta.env.BASE_URL}guide/${step.picture}.png`}
                alt={step.about}
                loading="lazy"
                width={1000}
                height={625}
                sx={(t) => ({
                  display: "block",
                  width: "100%",
                  height: "auto",
                  mt: 1,
                  borderRadius: 1,
                  border: `2px solid ${t.vars.palette.bench.rim}`,
                })}
              />
            )}
          </li>
        ))}
      </Box>
    </Box>
  );
}

/** Words with the names of what is pressed set strong: every other piece between double stars. */
function Said({ words }: { words: string }) {
  return (
    <>
      {words
        .split("**")
        .map((piece, place) => (place % 2 === 1 ? <b key={place}>{piece}</b> : piece))}
    </>
  );
}

function Near({ page, words }: { page: GuidePage | undefined; words: string }) {
  if (!page) return null;
  return (
    <Button component={Link} to={`/guide/${page.name}`} variant="outlined">
      {words}: {page.title}
    </Button>
  );
}
