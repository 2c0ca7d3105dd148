import { read, type Piece, type Read } from '../context';

const THE = '(?:(?:the|my|its|an?|some|fresh|new|clean)\\s+)*';
/**
 * What happens beside the wine and changes none of its sums: kept in the words it was said in. What goes in for the eye
 * alone is of these too.
 */
const HAPPENINGS = [
  `(?:fitted|put|changed|cleaned|topped\\s+up|refilled|filled|swapped)\\s+(?:on\\s+)?${THE}(?:airlock|bung|lid|cover|cloth)s?(?:\\s+(?:on|water|back|off|over(?:\\s+it)?))*`,
  `(?:took|taken|lifted|opened)\\s+${THE}(?:lid|airlock|bung|cover|cloth)\\s+off`,
  `${THE}(?:airlock|bung|lid|cover|cloth)\\s+(?:is\\s+|was\\s+|went\\s+)?(?:on|fitted|changed|off|back\\s+on|in\\s+place)`,
  `under\\s+(?:an?\\s+|the\\s+)?airlock`,
  `covered(?:\\s+(?:it|them|the\\s+\\w+))?(?:\\s+(?:up|with\\s+a\\s+(?:cloth|towel|lid)))?`,
  `skimmed(?:\\s+(?:off\\s+)?(?:the\\s+)?(?:foam|scum|froth))?(?:\\s+off)?`,
  `(?<!\\b(?:same|the|its|a)\\s)(?:washed|cleaned|rinsed|saniti[sz]ed|sterili[sz]ed|boiled)\\s+${THE}(?:jar|jars|bucket|bottles|demijohn|carboy|siphon|kit|tools|corks|everything|equipment)`,
  `(?:threw|tipped|put|gave|chucked)\\s+${THE}(?:pulp|spent\\s+fruit|skins|peel|lees|cake|stones)\\s+(?:on(?:to)?|in(?:to)?|to|out|away)(?:\\s+(?:the\\s+)?(?:compost|heap|hens|chickens|bin|garden))?`,
  `cold[\\s-]crash(?:ed|ing)?`,
  `(?:labelled|labeled|tagged)(?:\\s+(?:it|them|the\\s+\\w+))?`,
  `(?:wrapped|insulated)\\s+(?:it|them|the\\s+\\w+)(?:\\s+in\\s+(?:a\\s+)?(?:blanket|towel|foil|jumper))?`,
  `(?:(?:added|put\\s+in|with)\\s+)?(?:\\d+(?:[.,]\\d+)?\\s*(?:g|tsp|teaspoons?|pinch(?:es)?)\\s+(?:of\\s+)?|a\\s+(?:pinch|dash)\\s+of\\s+)?(?:edible\\s+(?:glitter|gold(?:\\s+leaf)?|silver(?:\\s+leaf)?|lustre|luster|shimmer|flowers?)|(?:gold|silver)\\s+leaf|(?:pearl|lustre|luster)\\s+dust|food\\s+colou?ring)`
].map((source) => new RegExp(`\\b${source}(?![\\w])`));

/** A happening that has no sum, as a note. */
export function readHappening(p: Piece): Read | null {
  for (const pattern of HAPPENINGS) {
    const m = pattern.exec(p.text);
    if (!m) continue;
    p.text = `${p.text.slice(0, m.index)} , ${p.text.slice(m.index + m[0].length)}`;
    return read({ kind: 'note', text: m[0].trim() });
  }
  return null;
}
