<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * The flow diagram of Page et al. 2021 (PRISMA 2020), for new and for updated reviews: what databases and registers
 * brought, what other methods did, and what a version before included.
 */
final readonly class Diagram
{
    public const DATABASES = 'Identification of new studies via databases and registers';

    public const OTHERS = 'Identification of new studies via other methods';

    public const PREVIOUS = 'Previous studies';

    /**
     * @param  non-empty-array<string, non-empty-list<FlowRow>>  $arms  by heading, from top to bottom
     * @param  FlowBox  $included  where the arms meet
     */
    private function __construct(public array $arms, public FlowBox $included)
    {
    }

    /**
     * @param  Flow  $databases  of what databases and registers brought, alone or among others
     * @param  ?Flow  $others  of what only other methods brought; null where there was none
     * @param  list<NamedSource>  $sources
     * @param  array<string, string>  $reasons  wording by the key under which exclusions are counted
     * @param  IncludedCount  $included  of both arms together
     * @param  ?IncludedCount  $previous  of the version that is updated
     * @param  array<string, string>  $captions  wording of people's own by the key of a line
     */
    public static function of(
        Flow $databases,
        ?Flow $others,
        array $sources,
        array $reasons,
        IncludedCount $included,
        ?IncludedCount $previous = null,
        array $captions = [],
    ): self {
        $arms = $previous === null ? [] : [self::PREVIOUS => [self::before($previous)]];
        $arms[self::DATABASES] = self::searched($databases, $sources, $reasons);
        if ($others !== null) {
            $arms[self::OTHERS] = self::otherwise($others, $sources, $reasons);
        }
        $with = fn (FlowRow $row): FlowRow => $row->captioned($captions);

        return new self(
            array_map(fn (array $rows): array => array_map($with, $rows), $arms),
            self::included($databases, $included, $previous)->captioned($captions),
        );
    }

    private static function before(IncludedCount $previous): FlowRow
    {
        $studies = 'Studies included in the previous version of the review';
        $reports = 'Reports of studies included in the previous version';

        return new FlowRow(new FlowBox('Identification', [
            new FlowLine('previous-studies', $studies, $previous->studies),
            new FlowLine('previous-reports', $reports, $previous->reports),
        ]));
    }

    /**
     * @param  list<NamedSource>  $sources
     * @param  array<string, string>  $reasons
     * @return non-empty-list<FlowRow>
     */
    private static function searched(Flow $flow, array $sources, array $reasons): array
    {
        $identified = new FlowBox('Identification', [
            new FlowLine('identified', 'Records identified', $flow->facts->recordsDelivered),
            ...self::named($sources, true),
        ]);

        return [
            new FlowRow($identified, self::removed($flow)),
            self::screened($flow, $reasons, ''),
            ...self::inFull($flow, $reasons, ''),
        ];
    }

    private static function removed(Flow $flow): FlowBox
    {
        $facts = $flow->facts;
        $all = $flow->duplicatesRemoved() + $facts->removed;

        return new FlowBox('Identification', [
            new FlowLine('removed', 'Records removed before screening', $all),
            new FlowLine('duplicates-machine', 'Duplicate records found by machine', $flow->duplicatesByMachine(), true),
            new FlowLine('duplicates-people', 'Duplicate records found by people', $facts->joinedByPeople, true),
            new FlowLine('automation', 'Records marked as ineligible by automation tools', 0, true),
            new FlowLine('removed-otherwise', 'Records removed for other reasons', $facts->removed, true),
        ]);
    }

    /** @param  array<string, string>  $reasons */
    private static function screened(Flow $flow, array $reasons, string $arm): FlowRow
    {
        $facts = $flow->facts;
        $key = "{$arm}excluded";

        return new FlowRow(
            new FlowBox(
                'Screening',
                [new FlowLine("{$arm}screened", 'Records screened', $flow->decided())],
                self::waiting("{$arm}pending", 'Not decided yet', $flow->pending()),
            ),
            new FlowBox('Screening', [
                new FlowLine($key, 'Records excluded', $facts->excluded),
                ...$facts->fullTexts === null ? self::reasons($key, $facts->excludedByReason, $reasons) : [],
            ]),
        );
    }

    /**
     * @param  list<NamedSource>  $sources
     * @param  array<string, string>  $reasons
     * @return non-empty-list<FlowRow>
     */
    private static function otherwise(Flow $flow, array $sources, array $reasons): array
    {
        $facts = $flow->facts;
        $identified = new FlowBox('Identification', [
            new FlowLine('other-identified', 'Records identified', $facts->recordsDelivered),
            ...self::named($sources, false),
        ]);
        $removed = new FlowBox('Identification', [
            new FlowLine('other-removed', 'Records removed', $flow->duplicatesRemoved() + $facts->removed),
            new FlowLine('other-duplicates', 'Duplicate records', $flow->duplicatesRemoved(), true),
            new FlowLine('other-removed-otherwise', 'Records removed for other reasons', $facts->removed, true),
        ]);

        return [
            new FlowRow($identified, $removed),
            self::screened($flow, $reasons, 'other-'),
            ...self::inFull($flow, $reasons, 'other-'),
        ];
    }

    /**
     * @param  array<string, string>  $reasons
     * @return list<FlowRow>
     */
    private static function inFull(Flow $flow, array $reasons, string $arm): array
    {
        $full = $flow->facts->fullTexts;

        return $full === null ? [] : [
            new FlowRow(
                new FlowBox('Screening', [new FlowLine("{$arm}sought", 'Reports sought for retrieval', $full->sought)]),
                self::notRetrieved($full, "{$arm}not-retrieved"),
            ),
            new FlowRow(
                self::assessed($full, $arm),
                new FlowBox('Screening', [
                    new FlowLine("{$arm}full-excluded", 'Reports excluded', $full->excluded),
                    ...self::reasons("{$arm}full-excluded", $full->excludedByReason, $reasons),
                ]),
            ),
        ];
    }

    private static function notRetrieved(FullTexts $full, string $key): FlowBox
    {
        $lines = [new FlowLine($key, 'Reports not retrieved', $full->notRetrieved())];
        foreach ($full->notRetrieved as $why => $n) {
            $lines[] = new FlowLine("{$key}:{$why}", (string) $why, $n, true);
        }

        return new FlowBox('Screening', $lines);
    }

    private static function assessed(FullTexts $full, string $arm): FlowBox
    {
        $open = $full->waiting + $full->disagreements;

        return new FlowBox(
            'Screening',
            [new FlowLine("{$arm}assessed", 'Reports assessed for eligibility', $full->assessed())],
            [
                ...self::waiting("{$arm}awaited", 'Not at hand yet', $full->awaited),
                ...self::waiting("{$arm}full-pending", 'Not decided yet', $open),
            ],
        );
    }

    private static function included(Flow $databases, IncludedCount $included, ?IncludedCount $previous): FlowBox
    {
        if ($databases->facts->fullTexts === null) {
            return new FlowBox('Included', [new FlowLine('included', 'Publications included', $included->reports)]);
        }
        $new = $previous === null ? '' : 'new ';

        return new FlowBox('Included', [
            new FlowLine(
                'studies',
                $previous === null ? 'Studies included in review' : 'New studies included in review',
                $included->studies,
            ),
            new FlowLine('reports', "Reports of {$new}included studies", $included->reports),
            ...$previous === null
                ? []
                : [
                    new FlowLine(
                        'all-studies',
                        'Total studies included in review',
                        $previous->studies + $included->studies,
                    ),
                    new FlowLine(
                        'all-reports',
                        'Reports of total included studies',
                        $previous->reports + $included->reports,
                    ),
                ],
        ]);
    }

    /**
     * The sources of an arm by their kind, each named.
     *
     * @param  list<NamedSource>  $sources
     * @return list<FlowLine>
     */
    private static function named(array $sources, bool $searched): array
    {
        $lines = [];
        foreach (SourceKind::cases() as $kind) {
            $of = array_filter($sources, fn (NamedSource $one): bool => $one->kind === $kind);
            if ($kind->isSearched() !== $searched || $of === []) {
                continue;
            }
            foreach ($of as $one) {
                $lines[] = new FlowLine(
                    "source:{$kind->value}:{$one->name}",
                    "{$kind->label()}: {$one->name}",
                    $one->n,
                    true,
                );
            }
        }

        return $lines;
    }

    /**
     * @param  array<string, int>  $byReason
     * @param  array<string, string>  $reasons
     * @return list<FlowLine>
     */
    private static function reasons(string $key, array $byReason, array $reasons): array
    {
        $line = fn (string $reason, int $n): FlowLine => new FlowLine(
            "{$key}:{$reason}",
            $reasons[$reason] ?? 'No reason given',
            $n,
            true,
        );

        return array_map($line, array_map(strval(...), array_keys($byReason)), $byReason);
    }

    /** @return list<FlowLine> */
    private static function waiting(string $key, string $label, int $n): array
    {
        return $n > 0 ? [new FlowLine($key, $label, $n)] : [];
    }

    /** @return list<FlowNumber> all numbers, arm by arm from top to bottom */
    public function numbers(): array
    {
        $numbers = [];
        $add = function (string $arm, FlowBox $box) use (&$numbers): void {
            foreach ($box->all() as $line) {
                if ($line->n !== null) {
                    $numbers[] = new FlowNumber($arm, $box->phase, $line);
                }
            }
        };
        foreach ($this->arms as $arm => $rows) {
            foreach ($rows as $row) {
                foreach ($row->boxes() as $box) {
                    $add($arm, $box);
                }
            }
        }
        $add('', $this->included);

        return $numbers;
    }

    /** @return list<string> boxes whose parts do not sum to their number */
    public function contradictions(): array
    {
        $found = [];
        foreach ($this->arms as $rows) {
            foreach (array_merge(...array_map(fn (FlowRow $row): array => $row->boxes(), $rows)) as $box) {
                $parts = array_filter($box->lines, fn (FlowLine $line): bool => $line->isPart);
                if (
                    $parts !== [] &&
                    array_sum(array_map(fn (FlowLine $line): int => (int) $line->n, $parts)) !== $box->lines[0]->n
                ) {
                    $found[] = "The parts of “{$box->lines[0]->words()}” do not sum to it.";
                }
            }
        }

        return $found;
    }
}
