// After `npm ci --ignore-scripts`: exits with 0 where a SQLite runs on this Node, with 1 where one must be compiled.
const tried = async (name) => {
  const { default: Sqlite } = await import(name);
  new Sqlite(':memory:').close();
};
if (Number(process.versions.napi) >= 10)
  await tried('better-sqlite3').then(
    () => process.exit(0),
    () => null,
  );
await tried('better-sqlite3-compiled').then(
  () => process.exit(0),
  () => process.exit(1),
);
