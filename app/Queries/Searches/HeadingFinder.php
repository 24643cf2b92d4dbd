<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Offers\LostItem;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\Offer;
use WaryHeron\Core\Vocabulary\Why;

/**
 * From a typed word to headings, with their reasons, their counts, and a warning where the word means several things.
 */
final readonly class HeadingFinder
{
    private const OFFERS = 12;

    private const SAMPLE = 60;

    private const SECONDS = 2.0;

    /** Headings of the sample that are counted. */
    private const TALLIED = 10;

    /**
     * A heading is told of where such a share of the records with the word carry it, so many times oftener than all
     * records do.
     */
    private const CARRIED = 0.08;

    private const LIFT = 2.5;

    private const MOST_CARRIED = 4;

    public function __construct(private Compiler $compiler, private Counts $counts, private Sources $sources)
    {
    }

    /**
     * @return array{offers: list<array{label: string, reason: string, note: string, names: list<string>, own: ?int,
     *     exploded: ?int}>, caution: list<array{label: string, own: ?int}>, failure: string}
     */
    public function find(Review $review, Headings $headings, string $typed): array
    {
        $offers = $headings->offers($typed);
        $caution = $headings->ambiguous($offers);
        $source = $headings->scheme->source;
        $failure = '';
        $carried = [];
        if ($source !== null) {
            try {
                $carried = $this->carried(
                    $review,
                    $headings,
                    $source,
                    $typed,
                    array_map(
                        fn (Offer $offer): string => $offer->concept->label,
                        array_slice($offers, 0, self::OFFERS),
                    ),
                );
            } catch (SourceFailed $failed) {
                $failure = $failed->getMessage();
            }
        }
        $strong = array_filter($offers, fn (Offer $offer): bool => $offer->why->rank() <= Why::Stem->rank());
        $weak = array_filter($offers, fn (Offer $offer): bool => $offer->why->rank() > Why::Stem->rank());
        $rows = [];
        foreach (array_slice($strong, 0, self::OFFERS) as $offer) {
            $rows[$offer->concept->label] = [
                'label' => $offer->concept->label,
                'reason' => $offer->reason($typed),
                'note' => $offer->concept->scopeNote,
                'names' => $offer->concept->alternatives,
            ];
        }
        foreach ($carried as $label => $reason) {
            $concept = $headings->labelled($label);
            if ($concept !== null) {
                $rows[$concept->label] ??= [
                    'label' => $concept->label,
                    'reason' => $reason,
                    'note' => $concept->scopeNote,
                    'names' => $concept->alternatives,
                ];
                $rows[$concept->label]['reason'] =
                    $rows[$concept->label]['reason'] === $reason
                        ? $reason
                        : "{$rows[$concept->label]['reason']}; {$reason}";
            }
        }
        foreach (array_slice($weak, 0, max(0, self::OFFERS - count($rows))) as $offer) {
            $rows[$offer->concept->label] ??= [
                'label' => $offer->concept->label,
                'reason' => $offer->reason($typed),
                'note' => $offer->concept->scopeNote,
                'names' => $offer->concept->alternatives,
            ];
        }
        $counts = $this->headingCounts($review, $source, [
            ...array_keys($rows),
            ...array_map(fn (Offer $offer): string => $offer->concept->label, $caution),
        ]);

        return [
            'offers' => array_map(
                fn (array $row): array => $row + ($counts[$row['label']] ?? ['own' => null, 'exploded' => null]),
                array_values($rows),
            ),
            'caution' => array_map(
                fn (Offer $offer): array => [
                    'label' => $offer->concept->label,
                    'own' => $counts[$offer->concept->label]['own'] ?? null,
                ],
                $caution,
            ),
            'failure' => $failure,
        ];
    }

    /**
     * Own and exploded counts of headings.
     *
     * @param  list<string>  $labels
     * @return array<string, array{own: ?int, exploded: ?int}>
     */
    public function headingCounts(Review $review, ?string $source, array $labels): array
    {
        if ($source === null || $labels === []) {
            return [];
        }
        $texts = [];
        foreach (array_unique($labels) as $label) {
            $texts[$label] = [
                $this->compiler->compile($review, $source, new Heading($label))->text,
                $this->compiler->compile($review, $source, new Heading($label, true))->text,
            ];
        }
        try {
            $counts = $this->counts->of($source, array_merge(...array_values($texts)), self::SECONDS);
        } catch (SourceFailed) {
            return [];
        }
        $number = fn (string $text): ?int => is_int($counts[$text] ?? null) ? $counts[$text] : null;

        return array_map(
            fn (array $both): array => ['own' => $number($both[0]), 'exploded' => $number($both[1])],
            $texts,
        );
    }

    /**
     * Headings that many records with the word in their title carry, each with the share of them.
     *
     * @param  list<string>  $offered
     * @return array<string, string> reasons by heading
     */
    private function carried(Review $review, Headings $headings, string $source, string $typed, array $offered): array
    {
        $words = array_map(fn (string $word): Word => new Word($word), array_slice(Words::of($typed), 0, 6));
        if ($words === []) {
            return [];
        }
        $title = new Fielded([Field::Title], count($words) === 1 ? $words[0] : new Phrase($words));
        $compile = fn (Node $node): string => $this->compiler->compile($review, $source, $node)->text;
        $page = $this->sources->get($source)->page($compile($title), 1, self::SAMPLE);
        if ($page->total < 5) {
            return [];
        }
        $tally = [];
        foreach ($page->records as $record) {
            foreach ($record instanceof Reference ? $record->keywords : [] as $keyword) {
                $label = trim((string) strtok($keyword, '/'));
                $tally[$label] = ($tally[$label] ?? 0) + 1;
            }
        }
        arsort($tally);
        $often = array_slice(array_map(strval(...), array_keys($tally)), 0, self::TALLIED);
        $labels = array_values(
            array_filter(array_unique([...$often, ...array_slice($offered, 0, 5)]), $headings->has(...)),
        );
        $texts = ['' => $compile(Limit::years(1000, 2999))];
        foreach ($labels as $label) {
            $texts["own/{$label}"] = $compile(new Heading($label));
            $texts["both/{$label}"] = $compile(new Operation(Operator::And, [$title, new Heading($label)]));
        }
        $counts = $this->counts->of($source, array_values($texts), self::SECONDS);
        $of = fn (string $key): ?int => is_int($counts[$texts[$key]] ?? null) ? $counts[$texts[$key]] : null;
        $weights = [];
        foreach ($labels as $label) {
            $share = ($of("both/{$label}") ?? 0) / $page->total;
            // one that records carry as often whatever they are about says nothing of the word
            $base = ($of("own/{$label}") ?? 0) / max(1, $of('') ?? 0, $of("own/{$label}") ?? 0);
            if ($share >= self::CARRIED && $share >= self::LIFT * $base) {
                $weights[$label] = LostItem::logLikelihood((int) $of("both/{$label}"), $page->total, $base);
            }
        }
        arsort($weights);
        $reasons = [];
        foreach (array_keys(array_slice($weights, 0, self::MOST_CARRIED, true)) as $label) {
            $percent = round((100 * (int) $of("both/{$label}")) / $page->total);
            $reasons[$label] =
                'of '.number_format($page->total)." records with “{$typed}” in the title, {$percent} % carry it";
        }

        return $reasons;
    }
}
