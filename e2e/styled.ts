/**
 * A selector by the names that the style sheets' modules give: `.plan .lie` for elements whose class is
 * `lie` in one module, inside one whose class is `plan` in another, whatever the build called them.
 */
export const styled = (selector: string): string =>
  selector.replace(
    /\.([a-zA-Z]\w*)/g,
    (_, name: string) => `:is([class$="_${name}"], [class*="_${name} "])`,
  );
