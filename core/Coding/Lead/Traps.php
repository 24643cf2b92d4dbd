<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\Coding\Lead\Place\Countries;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WeakMap;

/** What looks like an answer and is none: other people's studies, plans, rules of entry. */
final class Traps
{
    private const CITED = '/\bet al\b|\band colleagues\b|\b(?:earlier|previous|prior|former|recent|another|other|one|a) (?:\w+ )?(?:study|studies|trial|trials|survey|surveys|review|work|report|cohort|meta-analys\w+)\b|\[\d{1,3}(?:[,–-]\s?\d{1,3})*\]|\((?:19|20)\d\d\)|\b(?:has|have) (?:shown|found|reported)\b|\bin the literature\b/iu';

    /** A month before a year is nobody. */
    private const AUTHOR = '(?!(?:Jan|Feb|Mar|Apr|May|June?|July?|Aug|Sep|Oct|Nov|Dec)(?:\p{Ll}*(?:uary|ch|il|ust|ber))?\b|(?:Spring|Summer|Autumn|Winter)\b)\p{Lu}[\p{L}’-]+';

    /** “The trial in drivers by Holt”; what “was paid by” somebody is one's own. */
    private const BY_ANOTHER = '\b(?:[Tt]he|[Aa]n?) (?:trial|study|survey) (?:in|of|among) '.
        '(?:\([^()]*\)|(?!\b(?:was|were|is|are)\b)[^.;()]){0,80}\bby '.self::AUTHOR;

    /** An author and a year, or somebody's study: never one's own people. */
    private const NAMED = '/\('.self::AUTHOR.'(?:(?:,| and| &) [^()]{0,60})?,?\s(?:19|20)\d\d|\b'.self::AUTHOR.'(?: et al\.?| and colleagues| (?:and|&) \p{Lu}[\p{L}’-]+)\s*\(?(?:19|20)\d\d|\bet al\b|\band colleagues\b|'.self::BY_ANOTHER.'|\b(?:trial|study|survey|work|that|those|report|review) (?:by|of) \p{Lu}[\p{L}’-]+(?: and \p{Lu}|[,;) ])|\b(?:Earlier|Previous|Former|Older) (?:\p{L}+ )?(?:work|studies|study|trials?|surveys?)\b/u';

    /** In a letter without sections. */
    private const OTHERS = '/\bin (?:a|an|one|another) (?:\p{L}+ ){0,3}(?:study|trial|survey|experiment)\b|\b(?:the|an?) (?:only|best|largest|first|earlier) (?:\p{L}+ )?(?:study|trial|survey|experiment)\b|\bwe are aware of\b|\bfrom an earlier\b/iu';

    private const PLANNED = '/\b(?:(?:had|was|were|is|are|we|originally|initially) planned|planned (?:to|sample|size|number|enrol\w*|recruit\w*)|plan to|needed|required|to detect|power|would (?:be|give|need)|will (?:be|take|receive|enrol)|aim(?:ed)? to|intend\w*|target|anticipat\w+|expect\w+|sample size|assum\w+|calculat\w+ that|at least \d+ (?:participants|patients|people))\b/iu';

    private const ENTRY = '/\b(?:eligib\w+|inclusion criteri\w+|exclu\w+|were included if|criteria|qualif\w+|at least|or (?:older|over|above|more|younger)|between \d+ and \d+ years|aged? (?:\d+ (?:to|and|[–-])|over|under|at least|from))\b/iu';

    /** Parts of a country, or of what is named after one. */
    private const SIDE = '\b(?:South|North|East|West|Central)(?:ern)?\b';

    /** @var ?WeakMap<Passage, bool> every reader asks of every passage */
    private static ?WeakMap $cited = null;

    public static function isCited(Passage $passage): bool
    {
        self::$cited ??= new WeakMap();

        return self::$cited[$passage] ??= self::speaksOfOthers($passage);
    }

    private static function speaksOfOthers(Passage $passage): bool
    {
        $elsewhere = in_array(
            $passage->section,
            [SectionKind::Introduction, SectionKind::Discussion, SectionKind::References],
            true,
        );

        return $passage->section === SectionKind::References ||
            (! $passage->isRow() && self::namesSomebody($passage->text)) ||
            ($elsewhere && preg_match(self::CITED, $passage->text) === 1) ||
            (in_array($passage->section, [SectionKind::Title, SectionKind::Other], true) &&
                preg_match(self::OTHERS, $passage->text) === 1);
    }

    /** A survey of Norwegian nurses is by nobody of that name. */
    private static function namesSomebody(string $text): bool
    {
        preg_match_all(self::NAMED, $text, $found);

        return array_filter($found[0], fn (string $one): bool => ! self::ofCountry($one)) !== [];
    }

    private static function ofCountry(string $said): bool
    {
        return preg_match('/\bof \p{Lu}/u', $said) === 1 &&
            (Countries::in($said) !== [] || preg_match('/'.self::SIDE.'/u', $said) === 1);
    }

    public static function isPlanned(string $text): bool
    {
        return preg_match(self::PLANNED, $text) === 1;
    }

    public static function isEntry(string $text): bool
    {
        return preg_match(self::ENTRY, $text) === 1;
    }

    /** What somebody said, word by word. */
    public static function isSpeech(string $text): bool
    {
        return preg_match('/["“‘][^"”’]*\b(?:I|you|my|me|we)\b/u', $text) === 1;
    }

    /** How much a section's word counts for what was done and found. */
    public static function trust(SectionKind $section): float
    {
        return match ($section) {
            SectionKind::Results => 0.5,
            SectionKind::Abstract, SectionKind::Title => 0.4,
            SectionKind::Methods => 0.2,
            SectionKind::Introduction, SectionKind::Discussion => -0.8,
            SectionKind::References => -5.0,
            default => 0.0,
        };
    }
}
