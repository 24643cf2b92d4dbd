<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\People;
use WaryHeron\Core\Coding\Lead\Told\HeardDesigns;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** The design of a study: what its authors say they did, a cluster before a crossover before a plain trial. */
final class DesignReader implements LeadReader
{
    /** What an option is about, with the words that tell it and how strongly. */
    private const SIGNS = [
        'protocol' => [
            '\b(?:study|trial|review) protocol\b|\bprotocol (?:for|of) (?:the|a)\b' => 1.4,
            '\bwill be (?:randomi[sz]ed|randomly|recruited|enrolled|allocated|assigned|measured|invited)\b' => 1.6,
            '\b(?:trial|study|recruitment) will (?:begin|start|take place|run)\b' => 1.6,
        ],
        'cluster' => [
            '\bcluster[ -]?(?:randomi[sz]ed|trial)?' => 1.6,
            '\bgroup[ -]randomi[sz]ed\b' => 1.8,
            '\bstepped[ -]wedge\b' => 2.2,
            '\b'.People::CLUSTERS.'\b[^.;]{0,40}\b(?:were|was) (?:randomi[sz]ed|randomly|allocated|assigned|drawn)' => 1.8,
            '\brandomi[sz]ed (?:\w+ ){0,2}'.People::CLUSTERS.'\b' => 1.8,
            '\bunit of (?:randomi[sz]ation|allocation)\b' => 1.6,
        ],
        'crossover' => [
            '\bcross-?over\b' => 2.0,
            '\bwash-?out\b' => 1.2,
            '\b(?:two|three)-(?:period|sequence|treatment)\b' => 1.6,
            '\b(?:his|her|their) own controls?\b' => 1.4,
            '\b(?:order|sequence) of (?:the )?(?:conditions|treatments|periods|blocks)\b' => 1.2,
            '\bboth conditions\b' => 0.8,
            '\bwithin-(?:subjects?|persons?)\b' => 1.6,
            '\bin an order\b|\bthe order (?:of [^.;]{3,40} )?was (?:random\w*|drawn|decided)\b' => 1.6,
            '\bin (?:a )?(?:random|randomi[sz]ed|counterbalanced) order,? (?:each|every|all|both)\b' => 1.6,
            '\b(?:each|every|all|both)\b[^.;]{0,60}\bin (?:a )?(?:random|randomi[sz]ed|counterbalanced) order\b' => 1.6,
            '\bbetween (?:the )?(?:two )?(?:periods|phases|conditions)\b' => 0.8,
        ],
        'case-control' => [
            '\bcase[ –-]+control\b' => 2.2,
            '\bmatched controls?\b' => 1.4,
            '\b(?:population|hospital|healthy|community) controls\b' => 1.5,
            '\bcontrols were (?:drawn|chosen|selected|matched)' => 1.4,
            '\bcases\b[^.]{0,40}\bmatched (?:with|to)\b[^.]{0,30}\bcontrols\b' => 1.6,
            '\bwere (?:each )?matched\b[^.]{0,60}\bwho had (?:not|no|none)\b' => 1.6,
        ],
        'qualitative' => [
            '\bqualitative\b' => 1.6,
            '\binterview study\b' => 1.6,
            '\b(?:two|three|four|five|six|seven|main) themes\b|\bthemes (?:came up|emerged|were (?:found|identified|built))\b' => 1.0,
            '\bfocus groups?\b' => 1.3,
            '\b(?:semi-structured|in-depth|individual) interviews?\b' => 1.5,
            '\b(?:thematic|framework|content) analysis\b' => 1.3,
            '\bgrounded theory\b|\bphenomenolog\w+' => 1.6,
            '\binterviews? (?:lasted|were (?:recorded|transcribed|held|conducted))' => 1.3,
            '\bwe interviewed\b[^.]*\b(?:transcri|coded|themes?)' => 1.5,
        ],
        'interrupted' => [
            '\binterrupted time[ -]series\b' => 3.0,
            '\bsegmented regression\b' => 2.0,
            '\bmixed[ -]methods?\b' => 1.0,
            '\bsimulation (?:study|model)\b' => 1.4,
        ],
        'before-after' => [
            '\bbefore[ –-]+(?:and[ –-]+)?after (?:study|design|comparison|the)\b' => 1.7,
            '\bpre-?(?:test)?[ –-]+(?:and )?post-?test' => 2.0,
            '\b(?:uncontrolled|one-group|single-arm)\b' => 1.4,
            '\b(?:year|months?|weeks?|period) before and (?:in )?(?:the )?(?:\w+ )?(?:years?|months?|weeks?|period) after\b' => 1.3,
            '\b(?:no|without a) control (?:group|wards?|arm|site)\b' => 0.6,
            '\bbefore and (?:after|\w+ months after)\b' => 0.9,
            '\bthe (?:year|month|weeks|months) before\b[^.;]{0,80}\bthe (?:year|month|weeks|months) after\b' => 1.4,
            '\b(?:years?|months|weeks|nights|period) before\b[^.;]{0,80}\b(?:those|that|in the (?:\w+ )?(?:years?|months|weeks|nights|period)) after\b' => 1.4,
        ],
        'cohort' => [
            '\bcohort\b' => 1.8,
            '\bfollow(?:ed)?[ -]?up (?:study|for|of)\b' => 0.8,
            '\bperson[ -]years\b' => 1.5,
            '\bbaseline\b[^.]{0,80}\b(?:during|over|in) the (?:next|following) (?:\w+ )?(?:years?|months)\b' => 1.4,
            '\b(?:we|were) followed (?:up )?[^.;]{0,60}\b(?:for|over|during) [^.;]{0,15}\b(?:years|months)\b' => 1.4,
            '\b(?:regist(?:er|ry)|claims|administrative|payroll) (?:data|records)\b' => 0.8,
            '\brecord linkage\b|\bwere linked (?:to|with)\b' => 0.8,
            '\bprospectiv\w+\b' => 0.5,
            '\bwe followed\b[^.]*\bwho (?:chose|had chosen|were exposed|worked)\b' => 1.4,
            '\bhazard ratio\b' => 0.6,
        ],
        'cross-sectional' => [
            '\bcross[ -]sectional\b' => 2.2,
            '\bsurvey(?:ed)?\b' => 0.7,
            '\bquestionnaire\b' => 0.3,
            '\bprevalence\b' => 0.4,
        ],
        'parallel' => [
            '\brandomi[sz]ed\b' => 0.9,
            '\bRCT\b' => 1.4,
            '\b(?:allocated|assigned|divided)\b[^.;]{0,30}\bby (?:the toss|a coin|coin|drawing|chance|lots?|computer|sealed)\b' => 1.4,
            '\b(?:drawn|chosen) at random\b|\bsealed envelopes\b' => 0.7,
            '\brandomly (?:allocated|assigned|divided)\b' => 1.3,
            '\b(?:allocated|assigned) (?:at random|by lot)\b' => 1.3,
            '\bparallel[ -](?:group|arm)' => 1.8,
            '\brandomi[sz]ed controlled trial\b' => 1.0,
            '\btrial\b' => 0.3,
        ],
    ];

    /** By which words teams call the kinds. */
    private const OPTIONS = [
        'cluster' => 'cluster|group.randomi|stepped.wedge',
        'crossover' => 'cross-?over',
        'case-control' => 'case.{1,3}control|case.referent',
        'qualitative' => 'qualitative|interview|focus group',
        'interrupted' => 'interrupted|time.series|other',
        'before-after' => 'before.{1,5}after|pre.{1,3}post|uncontrolled',
        'cohort' => 'cohort|follow-up study|longitudinal',
        'cross-sectional' => 'cross.sectional|survey|prevalence',
    ];

    private const OTHER_TRIALS = 'cluster|cross-?over|group.randomi|wedge|non.?randomi|quasi|uncontrolled'
        .'|before|protocol';

    /** Where both speak, the first is what the study is. */
    private const OVER = [
        ['cluster', 'parallel'],
        ['crossover', 'parallel'],
        ['protocol', 'parallel'],
        ['protocol', 'cluster'],
        ['protocol', 'crossover'],
        ['case-control', 'cohort'],
        ['interrupted', 'before-after'],
        ['interrupted', 'cohort'],
    ];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Choice &&
            preg_match('/\btrial|\bcohort|\bRCT\b|case.control|cross.sectional/i', implode(' ', $item->options)) === 1;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $heard = $paper->once('designs', fn (): HeardDesigns => self::heard($paper));
        $leads = [];
        $next = array_values($heard->scores)[1] ?? 0.0;
        foreach ($heard->scores as $kind => $score) {
            $option = $this->option($item, $kind);
            if ($option !== null && $leads === []) {
                $sure = min(3.6, 1.0 + $score * 0.45 + ($score - $next) * 0.45);
                $leads[] = Lead::from($heard->best[$kind], $option, $sure, "it speaks of itself as a {$option}");
            }
        }

        return $leads;
    }

    /** What a paper plainly is; nothing where it is not plain. */
    public static function kind(Passages $paper): string
    {
        $scores = $paper->once('designs', fn (): HeardDesigns => self::heard($paper))->scores;
        $likeliest = array_key_first($scores);
        [$score, $next] = [...array_slice(array_values($scores), 0, 2), 0.0, 0.0];
        $isPlain = $score > 2.0 ? $score > 1.2 * $next : $score >= 1.4 && $next === 0.0;

        return $isPlain ? (string) $likeliest : '';
    }

    private static function heard(Passages $paper): HeardDesigns
    {
        $scores = $best = [];
        $own = array_filter($paper->told(), self::speaksOfItself(...));
        foreach (self::SIGNS as $kind => $signs) {
            foreach ($signs as $pattern => $weight) {
                $holding = self::firstTwo($own, $pattern);
                foreach ($holding as $heard => $passage) {
                    $isTitle = $passage->section === SectionKind::Title;
                    $scores[$kind] =
                        ($scores[$kind] ?? 0) + $weight * ($heard === 0 ? 1.0 : 0.35) * ($isTitle ? 1.6 : 1.0);
                    $best[$kind] ??= $passage;
                }
            }
        }
        $scores = self::withoutPlainer($scores);
        arsort($scores);

        return new HeardDesigns($scores, $best);
    }

    /**
     * @param  array<int, Passage>  $passages
     * @return list<Passage>
     */
    private static function firstTwo(array $passages, string $pattern): array
    {
        $found = [];
        foreach ($passages as $passage) {
            if (count($found) < 2 && $passage->has($pattern)) {
                $found[] = $passage;
            }
        }

        return $found;
    }

    /**
     * Where a design is heard that another word for is less exact, the other's share goes over to it.
     *
     * @param  array<string, float>  $scores
     * @return array<string, float>
     */
    private static function withoutPlainer(array $scores): array
    {
        foreach (self::OVER as [$one, $other]) {
            [$plain, $less] = [$scores[$one] ?? 0.0, $scores[$other] ?? 0.0];
            if ($plain >= 1.4 && $less > 0.0) {
                $scores[$one] = $plain + 0.6 * $less;
                $scores[$other] = 0.3 * $less;
            }
        }

        return $scores;
    }

    private static function speaksOfItself(Passage $passage): bool
    {
        return ! Traps::isCited($passage) &&
            ! in_array($passage->section, [SectionKind::Introduction, SectionKind::Discussion], true) &&
            ! $passage->has('future|further (?:study|trial)|next step|should be') &&
            ! $passage->has('\b(?:earlier|previous|prior) (?:\p{L}+[ -]){0,3}(?:stud(?:y|ies)|trials?|surveys?)\b');
    }

    /** The option that is of a kind; of a plain trial the one that is of no other kind of trial. */
    private function option(AskedItem $item, string $kind): ?string
    {
        $named = self::called($item, self::OPTIONS[$kind] ?? $kind);
        if ($kind === 'parallel' && $named === []) {
            $trials = self::called($item, '\brandomi[sz]ed|\bRCT\b|\bcontrolled trial|^trial');
            $named = array_values(array_diff($trials, self::called($item, self::OTHER_TRIALS)));
        }

        return $named[0] ?? null;
    }

    /** @return list<string> */
    private static function called(AskedItem $item, string $pattern): array
    {
        $isCalled = fn (string $option): bool => preg_match("/{$pattern}/iu", $option) === 1;

        return array_values(array_filter($item->options, $isCalled));
    }
}
