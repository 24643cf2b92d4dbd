<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\DismissedFinding;
use App\Models\KnownItem;
use App\Models\Review;
use App\Models\Scheme;
use App\Models\Strategy;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Support\Collection;
use WaryHeron\Core\Search\Check\CheckedTerm;
use WaryHeron\Core\Search\Check\Finding;
use WaryHeron\Core\Search\Check\HeadingCheck;
use WaryHeron\Core\Search\Check\LineCheck;
use WaryHeron\Core\Search\Check\SpellingCheck;
use WaryHeron\Core\Search\Check\TermWords;
use WaryHeron\Core\Search\Check\YieldCheck;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Spelling;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Text\Words;

/**
 * What a careful colleague would say of a strategy, each with what it would change in counts: the rules are the
 * core's, and the databases are asked here.
 *
 * Source of the questions asked: McGowan et al., PRESS Peer Review of Electronic Search Strategies, J Clin Epidemiol
 * 2016.
 */
final readonly class StrategyCheck
{
    private const SECONDS = 6.0;

    private const KNOWN_ITEMS = 60;

    public function __construct(
        private Compiler $compiler,
        private Counts $counts,
        private Sources $sources,
        private StrategyNumbers $numbers,
        private KnownItemLook $known,
        private KnownWords $words,
    ) {
    }

    public function of(Review $review, Strategy $strategy, Lines $lines): CheckResult
    {
        $sources = array_values(array_filter($strategy->sources, $this->sources->has(...)));
        $numbers = $this->numbers->of($review, $lines, $sources, self::SECONDS);
        $failure = array_values($numbers->failures)[0] ?? '';
        $findings = [...$this->terms($review, $lines, $numbers->numbers), ...LineCheck::of($lines)];
        $effects = [];
        try {
            $findings = [...$findings, ...$this->lostItems($review, $lines, $sources)];
            $effects = $this->effects($review, $findings, $sources);
        } catch (SourceFailed $failed) {
            $failure = $failed->getMessage();
        }
        $dismissed = DismissedFinding::query()->where('strategy_id', $strategy->id)->with('dismisser')->get();
        $kept = self::kept($findings, $effects, $dismissed->pluck('finding')->flip());

        return new CheckResult($kept, $effects, $dismissed, $failure);
    }

    /**
     * @param  list<Finding>  $findings
     * @param  array<string, array<string, int>>  $effects  by finding and database
     * @param  Collection<array-key, int|string>  $gone
     * @return list<Finding>
     */
    private static function kept(array $findings, array $effects, Collection $gone): array
    {
        $kept = [];
        foreach ($findings as $one) {
            // a suggestion that would bring nothing is none
            $isEmpty = $one->gain !== null && array_sum($effects[$one->key] ?? []) === 0;
            if (! $isEmpty && ! isset($gone[$one->key])) {
                $kept[$one->key] ??= $one;
            }
        }

        return array_values($kept);
    }

    /**
     * @param  array<string, array<string, array<string, int|string|null>>>  $numbers
     * @return list<Finding>
     */
    private function terms(Review $review, Lines $lines, array $numbers): array
    {
        $sources = array_map(strval(...), array_keys($numbers));
        $thesauri = Headings::schemes($review)->map(
            fn (Scheme $scheme): CheckedThesaurus => new CheckedThesaurus(new Headings($scheme, $review)),
        );
        $headings = new HeadingCheck(array_values($thesauri->all()));
        $findings = [];
        foreach (CheckedTerm::all($lines) as $term) {
            $yields = array_map(
                fn (array $of): array => ($of[$term->line->id] ?? []) + ['own' => null, 'only' => null],
                array_values($numbers),
            );
            $meant = fn (): ?string => $this->meant($review, $sources, $term->root);
            array_push(
                $findings,
                ...YieldCheck::of($term, $yields, $meant),
                ...SpellingCheck::of($term),
                ...$headings->of($term),
            );
        }

        return $findings;
    }

    /**
     * A likely spelling, from the words of the databases' own indexes and of the thesauri.
     *
     * @param  list<string>  $sources
     */
    private function meant(Review $review, array $sources, Node $root): ?string
    {
        $words = TermWords::of($root);
        $typed = count($words) === 1 ? Words::of($words[0]->text)[0] ?? '' : '';

        return $typed === '' ? null : Spelling::nearest($typed, $this->words->like($review, $sources, $typed));
    }

    /**
     * @param  list<string>  $sources
     * @return list<Finding> known items that a NOT throws out
     *
     * @throws SourceFailed
     */
    private function lostItems(Review $review, Lines $lines, array $sources): array
    {
        $items = $review->knownItems()->limit(self::KNOWN_ITEMS)->get();
        $findings = [];
        foreach ($items->isEmpty() ? [] : $lines->lines as $i => $line) {
            $whole = $this->exclusion($lines, $i);
            foreach ($items as $item) {
                if ($whole !== null && $this->throwsOut($review, $whole, $item, $sources)) {
                    $findings[] = new Finding(
                        "not/{$line->text}/{$item->id}",
                        'NOT loses a known item',
                        'The NOT in line #'.($i + 1)." throws out “{$item->title}”, which is known to be relevant.",
                        $line->id,
                    );
                }
            }
        }

        return $findings;
    }

    /** A line that is a NOT, written out. */
    private function exclusion(Lines $lines, int $i): ?Operation
    {
        $isNot = fn (?Node $node): bool => $node instanceof Operation && $node->operator === Operator::Not;
        if ($lines->lines[$i]->isBlank() || ! $isNot($lines->lines[$i]->parsed()->root)) {
            return null;
        }
        try {
            $whole = $lines->writtenOut($i + 1);
        } catch (BadStrategy) {
            return null;
        }

        return $whole instanceof Operation && $isNot($whole) ? $whole : null;
    }

    /**
     * @param  list<string>  $sources
     *
     * @throws SourceFailed
     */
    private function throwsOut(Review $review, Operation $whole, KnownItem $item, array $sources): bool
    {
        foreach ($sources as $source) {
            $clause = $this->known->clause($review, $item, $source);
            if ($clause === null) {
                continue;
            }
            $before = $this->one($review, $source, new Operation(Operator::And, [$clause, $whole->operands[0]]));
            if ($before > $this->one($review, $source, new Operation(Operator::And, [$clause, $whole]))) {
                return true;
            }
        }

        return false;
    }

    /** @throws SourceFailed */
    private function one(Review $review, string $source, Node $query): int
    {
        $compiled = $this->compiler->compile($review, $source, $query);
        $count = $compiled->isUsable()
            ? $this->counts->of($source, [$compiled->text], self::SECONDS)[$compiled->text] ?? 0
            : 0;

        return is_int($count) ? $count : 0;
    }

    /**
     * @param  list<Finding>  $findings
     * @param  list<string>  $sources
     * @return array<string, array<string, int>> by key, then database
     *
     * @throws SourceFailed
     */
    private function effects(Review $review, array $findings, array $sources): array
    {
        $effects = [];
        foreach ($sources as $source) {
            $texts = [];
            foreach ($findings as $one) {
                $compiled = $one->gain === null ? null : $this->compiler->compile($review, $source, $one->gain->query());
                if ($compiled?->isUsable() === true) {
                    $texts[$one->key] = $compiled->text;
                }
            }
            $counts = $this->counts->of($source, array_values($texts), self::SECONDS);
            foreach ($texts as $key => $text) {
                if (is_int($counts[$text] ?? null)) {
                    $effects[$key][$source] = $counts[$text];
                }
            }
        }

        return $effects;
    }
}
