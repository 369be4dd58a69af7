# Pebble Lane in a container: built with everything, run with Node and what it needs alone.
# docker build -t pebble-lane .
# docker run -p 127.0.0.1:4173:4173 -e PEBBLE_PUBLIC=http://localhost:4173 -v pebble-lane:/data pebble-lane
# Others reach a container's address, so it starts only when it is told where from (PEBBLE_PUBLIC), and
# everybody is paired by the code in its log; https:// for any name but localhost.
FROM node:22-bookworm-slim AS build
WORKDIR /build
COPY package.json package-lock.json ./
RUN npm ci --ignore-scripts
COPY . .
RUN npm run build && node scripts/pack.mjs /packed

FROM node:22-bookworm-slim
ENV NODE_ENV=production HOST=0.0.0.0 PORT=4173 PEBBLE_LANE_DATA=/data PEBBLE_BACKUP=/data/backups
WORKDIR /app
COPY --from=build --chown=root:root /packed ./
# Next keeps pictures that it has scaled here; everything else of the program stays unwritable.
RUN mkdir -p /data .next/cache && chown node:node /data .next/cache
USER node
VOLUME /data
EXPOSE 4173
# The gate answers to its own names alone: behind a proxy that is the proxy's.
HEALTHCHECK --interval=30s --timeout=5s --start-period=20s CMD ["node", "healthy.mjs"]
STOPSIGNAL SIGTERM
CMD ["node", "start.mjs"]
