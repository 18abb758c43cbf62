# Brachytone in a container: the server, or with another command a worker. See docs/studio.md.
FROM node:20-bookworm-slim AS build
WORKDIR /brachytone
COPY . .
RUN npm install --no-audit --no-fund && node scripts/build.mjs && npm prune --omit=dev --no-audit --no-fund

FROM node:20-bookworm-slim
ENV NODE_ENV=production \
    HOST=0.0.0.0 \
    PORT=4180 \
    BRACHYTONE_DATA=/data \
    BRACHYTONE_LOG=json \
    MALLOC_ARENA_MAX=2 \
    MALLOC_MMAP_THRESHOLD_=262144
WORKDIR /brachytone
COPY --from=build --chown=node:node /brachytone ./
RUN mkdir -p /data /films && chown node:node /data /films
USER node
VOLUME ["/data"]
EXPOSE 4180
HEALTHCHECK --interval=30s --timeout=5s --start-period=60s \
  CMD ["node", "-e", "fetch(`http://127.0.0.1:${process.env.PORT}/api/health/ready`).then((a) => process.exit(a.ok ? 0 : 1), () => process.exit(1))"]
CMD ["node", "--enable-source-maps", "apps/server/dist/main.js"]
