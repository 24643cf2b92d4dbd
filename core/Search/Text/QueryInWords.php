<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Text;

use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Text\Span;
use WaryHeron\Core\Text\Words;

/** Where in a run of words, such as a sentence, a query is answered; nowhere where it is not answered as a whole. */
final readonly class QueryInWords
{
    /** @param  list<string>  $words  folded as Words folds them */
    private function __construct(private array $words)
    {
    }

    /**
     * @param  list<string>  $words  folded as Words folds them
     * @return list<Span>  of each place, in their order, each once
     */
    public static function places(Node $query, array $words): array
    {
        $places = (new self($words))->of($query) ?? [];
        $places = array_values(array_unique($places, SORT_REGULAR));
        sort($places);

        return $places;
    }

    /** Whether all of a query can be looked for in words alone: headings, limits and lines are of records. */
    public static function can(Node $query): bool
    {
        return match (true) {
            $query instanceof Word, $query instanceof Phrase => true,
            $query instanceof Near => self::can($query->left) && self::can($query->right),
            $query instanceof Fielded => self::can($query->inner),
            $query instanceof Operation => array_filter($query->operands, fn (Node $one): bool => ! self::can($one)) === [],
            default => false,
        };
    }

    /** @return ?list<Span> null where it is not answered */
    private function of(Node $query): ?array
    {
        return match (true) {
            $query instanceof Word => $this->runs([$query]),
            $query instanceof Phrase => $this->runs($query->words),
            $query instanceof Near => $this->near($query),
            $query instanceof Fielded => $this->of($query->inner),
            $query instanceof Operation => $this->operation($query),
            default => null,
        };
    }

    /** @return ?list<Span> */
    private function operation(Operation $query): ?array
    {
        $found = array_map($this->of(...), $query->operands);
        $held = array_values(array_filter($found, fn (?array $one): bool => $one !== null));

        return match ($query->operator) {
            Operator::And => count($held) === count($found) ? array_merge(...$held) : null,
            Operator::Or => $held === [] ? null : array_merge(...$held),
            Operator::Not => $found[0] !== null && count($held) === 1 ? $found[0] : null,
        };
    }

    /** @return ?list<Span> from the one to the other, where they are near enough */
    private function near(Near $query): ?array
    {
        $places = [];
        foreach ($this->of($query->left) ?? [] as $left) {
            foreach ($this->of($query->right) ?? [] as $right) {
                $isAfter = $right->first > $left->last;
                $apart = $isAfter ? $right->first - $left->last : $left->first - $right->last;
                if ($apart > 0 && $apart <= $query->distance) {
                    $places[] = new Span(min($left->first, $right->first), max($left->last, $right->last));
                }
            }
        }

        return $places === [] ? null : $places;
    }

    /**
     * @param  list<Word>  $typed
     * @return ?list<Span> where these stand side by side
     */
    private function runs(array $typed): ?array
    {
        $patterns = [];
        foreach ($typed as $word) {
            $parts = $word->isMasked() ? Mask::words($word->text) : Words::of($word->text);
            foreach ($parts as $i => $part) {
                $isOpen = $word->truncated && $i === count($parts) - 1;
                $patterns[] = '/'.Mask::pattern($part.($isOpen ? Mask::ANY : '')).'/u';
            }
        }
        $places = [];
        $last = count($patterns) - 1;
        for ($at = 0; $patterns !== [] && $at + $last < count($this->words); $at++) {
            $i = 0;
            while ($i <= $last && preg_match($patterns[$i], $this->words[$at + $i]) === 1) {
                $i++;
            }
            if ($i > $last) {
                $places[] = new Span($at, $at + $last);
            }
        }

        return $places === [] ? null : $places;
    }
}
