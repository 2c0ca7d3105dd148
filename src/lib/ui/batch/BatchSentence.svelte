<script lang="ts">
  import { willHoldL } from '$core/ledger/will-hold';
  import { checkBottling } from '$core/finish/judge';
  import { chosenAbv } from '$core/belief/chosen-abv';
  import { counted, listText, sgText, volumeText } from '$core/units/format';
  import { giveOrTake } from '$core/belief/how-far';
  import { bottlesLeft } from '$core/ledger/state';
  import { abvParts, howFarText, unreadWord } from '../words/how-far';
  import { type Batch, household, vesselName } from '$lib/store/household.svelte';
  import How from '../pop/How.svelte';
  import { guessedAbvLines, readAbvLines } from './abv-lines';
  import BottledWords from './BottledWords.svelte';
  import { readOnText, unlikeTexts } from '../shelf/read-words';
  import { gravityLines } from './gravity-lines';
  import { volumeLines } from './volume-lines';

  let { batch }: { batch: Batch } = $props();

  /** A must that stood so long without yeast is no longer what it was. */
  const LONG_DAYS = 14;
  const s = $derived(batch.state);
  const now = $derived(batch.standing);
  const says = $derived(batch.says);
  const unit = $derived(household.settings.volume);
  const where = $derived(listText(s.fills.map((f) => vesselName(f.vesselId, 'a vessel'))));
  const word = 'min-h-11 font-semibold underline decoration-greengage decoration-2 underline-offset-[7px]';
  const pace = $derived(now.pointsPerDay === null ? null : Math.round(now.pointsPerDay));
  /** A reading of long ago is told with its day, and how it moved then is not said of today. */
  const isStale = $derived(says.lastRead !== null && !says.lastRead.isFresh);
  /** It moves still: how sweet it is at the moment tells nothing of it. */
  const isFalling = $derived(!isStale && !now.steady.steady && (pace ?? 0) > 0 && now.stage !== 'must');
  const readOn = $derived(says.lastRead ? readOnText(says.lastRead, household.now, s.zone) : '');
  const moved = $derived(says.hasMovedOn ? `, about ${sgText(now.belief!.sg.likely)} by now` : '');
  const falling = $derived(
    isStale
      ? ` ${readOn}${now.steady.steady ? `, still for ${counted(now.steady.days, 'day')} then` : ''}`
      : now.steady.steady
        ? `, still for ${counted(now.steady.days, 'day')}`
        : isFalling
          ? `${moved && ` ${readOn}`} and falling ${pace === 1 ? 'a point' : `${pace} points`} a day${moved}`
          : moved && ` ${readOn}${moved}`
  );
  const sweetness = $derived(
    listText(says.sweetEach.map((x) => `${x.word} in the ${vesselName(x.vesselId)}`)) || now.sweetness
  );
  const soFar = $derived(
    (now.steady.steady || now.isDry || says.isStable || says.isSweetened
      ? ''
      : isStale
        ? ' then'
        : ' so far') +
      (now.stage === 'fermenting' || now.stage === 'must' || says.isCarriedOn || isFalling
        ? ''
        : `, ${sweetness}`)
  );
  /** What is amiss with the last reading, and what to do about it. */
  const odd = $derived(
    says.isLastLayered
      ? 'too low: sugar may lie on the bottom. Stir for a full minute and read again'
      : says.isLastOdd
        ? 'which fits none of the rest: spin the stem and read again'
        : ''
  );
  /** Of the bottles that are filled already, those that are left. */
  const filledLeft = $derived(bottlesLeft(s));
  const fruitIn = $derived(
    s.fruitInAt !== null && s.fruitOutAt === null && s.rackings.length === 0 ? ' with the fruit still in' : ''
  );
  /** Litres once the fruit has given all. */
  const toCome = $derived(willHoldL(s));
  /** Jars that read otherwise than one another, each by its last reading, and with its day where that is long ago. */
  const unlike = $derived(unlikeTexts(batch, household.now));
  /** In glass and come to rest, or long past its ferment, one thinks of bottles: then it is said whether that is safe. */
  const unsafe = $derived.by(() => {
    if (now.stage !== 'in glass' && now.stage !== 'clearing') return null;
    const isThoughtOf =
      now.stage === 'clearing' ||
      now.steady.steady ||
      batch.due.some((d) => d.step.id === 'bottle' && d.status !== 'coming');
    const check = isThoughtOf ? checkBottling(s, 'still', 0, true, undefined, now.belief) : null;
    return check?.verdict.level === 'stop' ? check : null;
  });
  const guessLines = $derived(guessedAbvLines(now));
  const sgLines = $derived(gravityLines(s, now, household));
  /** How far it likely is, by all that went in and was seen, where no fresh reading says it. */
  const far = $derived(says.far);
  /** A reading of long ago is carried on to today. */
  const byNow = $derived(
    says.isCarriedOn && far && now.belief && says.behind.length === 0
      ? `By now ${howFarText(far)}, at about ${sgText(now.belief.sg.likely)} and`
      : ''
  );
  const guess = $derived(abvParts(now.abv));
  const off = $derived(says.hasStrength && !byNow ? giveOrTake(now.abv) : null);
  /** By the formula that was chosen for it. */
  const abv = $derived(chosenAbv(s, now));
  const abvLines = $derived(readAbvLines(s, now, household.now));
</script>

<h1 class="sentence pt-2 pb-1 font-normal" data-testid="batch-sentence">
  <span class="font-bold">{s.name}, day {now.day}.</span>
  {#if now.stage === 'gone'}
    Nothing of it is left: none stands in a vessel, and none is in bottles.
  {:else if now.stage === 'bottled'}
    <BottledWords {batch} {abv} {abvLines} {guessLines} {word} />
  {:else}
    {#if says.reading === 'never'}
      {#if far && now.belief}
        {far.word === 'not begun' && s.readings.length === 0 ? 'Not read yet' : unreadWord(s)}:
        {howFarText(far)}{#if far.word !== 'not begun'}, about
          <How title="How strong" lines={guessLines} class={word}
            >{#snippet trigger()}<span data-testid="abv-could">{guess.figure}</span>{/snippet}</How
          >{guess.off}{far.word === 'working' ? ' so far' : ''}{/if}.
      {:else}{unreadWord(s)}, so nobody knows where it stands{#if says.potentialAbv !== null && !says.isSweetened}:
          with all its sugar gone it holds about
          <span class="font-semibold" data-testid="abv-could">{says.potentialAbv.toFixed(1)} %</span
          >{/if}.{/if}
    {:else if now.sg}
      {#if !now.sg.measured}Not read yet; the sums say{/if}
      {#if unlike.length > 0}
        {unlike.join(', ')}{:else}<How title="Gravity" lines={sgLines} class={word}
          >{#snippet trigger()}<span data-testid="sg-now">{sgText(now.sg!.sg)}</span>{/snippet}</How
        >{odd
          ? `${isStale ? ` ${readOn}` : ''}, ${odd}`
          : falling}{/if}{#if says.hasStrength && !byNow && !(says.isCarriedOn && unlike.length > 0)}{odd
          ? '. By all else about'
          : ': about'}
        <How title="How strong" lines={abvLines} class={word}
          >{#snippet trigger()}<span data-testid="abv-now">{abv.toFixed(1)}</span> %{/snippet}</How
        >{soFar}{off === null ? '' : `, give or take ${off}`}{/if}.
      {#if byNow}{byNow}
        <How title="How strong" lines={abvLines} class={word}
          >{#snippet trigger()}<span data-testid="abv-now">{guess.figure}</span>{/snippet}</How
        >{guess.off}.{/if}
    {/if}
    <How title="How much" lines={volumeLines(s, now, toCome, household)} class={word}
      >{#snippet trigger()}<span data-testid="volume-now">{volumeText(now.volumeL, unit)}</span
        >{/snippet}</How
    >
    in the {where}{fruitIn}{#if toCome > now.volumeL + 0.05}, {volumeText(toCome, unit)} once it has given{/if}.
    {#if says.lacksYeast}
      {says.lacksYeast === 'stands'
        ? now.day > LONG_DAYS
          ? `No yeast in ${now.day} days: by now it has spoiled, or worked by itself. Look and smell before anything goes in; mould or vinegar goes out.`
          : 'No yeast is in it yet: it will spoil, or work by itself.'
        : 'No yeast is written down for it.'}
    {/if}
    {#if says.unreadIds.length > 0}
      {listText(says.unreadIds.map((id) => `The ${vesselName(id, 'other vessel')}`))} was never read, so nobody
      knows where that stands.
    {/if}
    {#if says.changedIds.length > 0}
      {listText(says.changedIds.map((id) => `The ${vesselName(id, 'other vessel')}`))} was not read since more went
      in.
    {/if}
    {#each says.behind as b (b.vesselId)}
      The {vesselName(b.vesselId, 'other vessel')} is behind: {howFarText(b.far)}.
    {/each}
    {#if unsafe}
      <span class="font-semibold text-rosehip" data-testid="unsafe"
        >Not for bottles {says.reading === 'never' ? 'until it is read: at worst' : 'yet:'}
        {s.fills.length > 1 ? `what is in the ${vesselName(unsafe.vesselId)}` : 'it'} could reach
        {unsafe.verdict.bar20.toFixed(1)} bar.</span
      >
    {/if}
    {#if batch.dangers.length > 0}<span class="font-semibold text-rosehip"
        >Bottles of it could burst: see below.</span
      >{/if}
    {#if says.bottledInPart > 0}
      {counted(says.bottledInPart, 'bottle')} of it {says.bottledInPart === 1 ? 'is' : 'are'} filled already{filledLeft <
      says.bottledInPart
        ? `, ${filledLeft} left`
        : ''}.
    {/if}
    {#if says.isOnCourse && says.reading !== 'never' && now.expectedSg}
      On course for
      <How
        title="Where it should end"
        lines={[
          `All the sugar it can take: ends at ${sgText(now.expectedSg.low)} – ${sgText(now.expectedSg.high)}.`,
          'From the sugar in it, the most tolerant yeast pitched, and how much alcohol a gram makes.'
        ]}
        class={word}>{#snippet trigger()}{now.expectedAbv!.toFixed(1)} %{/snippet}</How
      >.
    {/if}
  {/if}
</h1>
