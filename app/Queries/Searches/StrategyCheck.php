<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\DismissedFinding;
use App\Models\Review;
use App\Models\Strategy;
use App\Sources\Counts;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\MixedOperators;
use WaryHeron\Core\Search\Strategy\Spelling;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Text\Words;
use WaryHeron\Core\Vocabulary\ConceptScheme;
use WaryHeron\Core\Vocabulary\HeadingLookup;

/**
 * What a careful colleague would say of a strategy, each with what it would change in counts.
 *
 * Source of the questions asked: McGowan et al., PRESS Peer Review of Electronic Search Strategies, J Clin Epidemiol
 * 2016.
 *
 * @phpstan-type Finding array{key: string, kind: string, text: string, line: ?string, effect: array<string, int>,
 *     apply: ?array{change: string, with: array<string, mixed>, label: string}}
 */
final class StrategyCheck
{
    private const SECONDS = 6.0;

    /** @var list<Finding> */
    private array $findings = [];

    /** @var array<int, array{Node, Node}> what a finding would add, and to what */
    private array $gains = [];

    public function __construct(
        private readonly Compiler $compiler,
        private readonly Counts $counts,
        private readonly Sources $sources,
        private readonly StrategyNumbers $numbers,
        private readonly KnownItemLook $known,
        private readonly KnownWords $words,
    ) {
    }

    /**
     * @return array{findings: list<Finding>, dismissed: \Illuminate\Database\Eloquent\Collection<int,
     *     DismissedFinding>, failure: string}
     */
    public function of(Review $review, Strategy $strategy, Lines $lines): array
    {
        $this->findings = $this->gains = [];
        $sources = array_values(array_filter($strategy->sources, $this->sources->has(...)));
        $failure = '';
        $numbers = $this->numbers->of($review, $lines, $sources, self::SECONDS);
        foreach ($numbers['failures'] as $text) {
            $failure = $text;
        }
        foreach (Board::of($lines)->blocks as $block) {
            $this->terms($review, $lines, $block, $numbers['numbers']);
        }
        $this->lines($lines);
        try {
            $this->knownItems($review, $lines, $sources);
            $this->count($review, $sources);
        } catch (SourceFailed $failed) {
            $failure = $failed->getMessage();
        }
        $dismissed = DismissedFinding::query()->where('strategy_id', $strategy->id)->with('dismisser')->get();
        $gone = array_flip($dismissed->pluck('finding')->all());
        // a suggestion that would bring nothing is none
        $kept = array_filter(
            $this->findings,
            fn (array $one, int $i): bool => ! isset($gone[$one['key']]) &&
                ! (isset($this->gains[$i]) && array_sum($one['effect']) === 0),
            ARRAY_FILTER_USE_BOTH,
        );

        return ['findings' => array_values($kept), 'dismissed' => $dismissed, 'failure' => $failure];
    }

    /** @param  array<string, array<string, array<string, int|string|null>>>  $numbers */
    private function terms(Review $review, Lines $lines, Block $block, array $numbers): void
    {
        $texts = implode(' ', array_map(fn ($term): string => mb_strtolower($term->text), $block->terms));
        $whole = $this->blockNode($lines, $block);
        $headings = array_values(
            array_filter(
                array_map(fn ($term): Node => $term->parsed()->root, $block->terms),
                fn (Node $node): bool => $node instanceof Heading,
            ),
        );
        $freeText = implode(
            ' ',
            array_map(fn ($term): string => $term->parsed()->root instanceof Heading ? '' : $term->text, $block->terms),
        );
        foreach ($block->terms as $term) {
            $root = $term->parsed()->root;
            $own = array_filter(
                array_map(fn (array $of): int|string|null => $of[$term->id]['own'] ?? null, $numbers),
                is_int(...),
            );
            $only = array_filter(
                array_map(fn (array $of): int|string|null => $of[$term->id]['only'] ?? null, $numbers),
                is_int(...),
            );
            if ($own !== [] && array_sum($own) === 0) {
                $meant = $this->meant($review, array_map(strval(...), array_keys($numbers)), $root);
                $this->add(
                    "zero/{$term->text}",
                    'finds nothing',
                    "{$this->quoted($term->text)} finds nothing anywhere.".
                        ($meant === null ? '' : " Is “{$meant}” meant?"),
                    $term->id,
                    $meant === null
                        ? ['change' => 'remove-term', 'with' => ['line' => $term->id], 'label' => 'Take it off']
                        : [
                            'change' => 'set-line',
                            'with' => ['line' => $term->id, 'text' => $meant],
                            'label' => "Write “{$meant}”",
                        ],
                );
            } elseif ($only !== [] && count($only) === count($own) && array_sum($only) === 0) {
                $this->add(
                    "nothing/{$term->text}",
                    'adds nothing',
                    "{$this->quoted(
                        $term->text,
                    )} adds nothing: the other terms of “{$block->name}” find all of its records.",
                    $term->id,
                    ['change' => 'remove-term', 'with' => ['line' => $term->id], 'label' => 'Take it off'],
                );
            }
            if ($root instanceof Heading) {
                $this->heading($review, $block, $root, $term->id, $freeText, $whole);

                continue;
            }
            foreach ($this->wordsOf($root) as $word) {
                foreach ($word->truncated ? [] : array_filter([Spelling::otherNumber($word->text)]) as $other) {
                    $this->variant(
                        $block,
                        $term->id,
                        $root,
                        $word,
                        new Word($other),
                        $texts,
                        $whole,
                        'plural or singular missing',
                        'the other number',
                    );
                }
                foreach (Spelling::transatlantic($word->text) as $other) {
                    $this->variant(
                        $block,
                        $term->id,
                        $root,
                        $word,
                        new Word($other, $word->truncated),
                        $texts,
                        $whole,
                        'other spelling missing',
                        'the other English spelling',
                    );
                }
                if ($word->truncated && mb_strlen($word->text) <= 3 && ! str_contains($term->text, '"')) {
                    $this->add(
                        "short/{$term->text}/{$word->text}",
                        'stem too short',
                        "“{$word->text}*” has a very short stem and may bring words of other meaning. Look at what it finds, or write the endings out.",
                        $term->id,
                        null,
                    );
                }
                $stem = HeadingLookup::stem(mb_strtolower($word->text));
                if ($word->truncated && mb_strlen($stem) >= 4 && mb_strlen($stem) < mb_strlen($word->text)) {
                    $this->variant(
                        $block,
                        $term->id,
                        $root,
                        $word,
                        new Word($stem, true),
                        $texts,
                        $whole,
                        'stem cuts an ending off',
                        'a shorter stem',
                    );
                }
            }
            $this->asHeading($review, $block, $root, $term->id, $headings, $whole);
        }
    }

    private function heading(
        Review $review,
        Block $block,
        Heading $heading,
        string $line,
        string $freeText,
        ?Node $whole,
    ): void {
        $label = array_map(HeadingLookup::stem(...), Words::of($heading->label));
        $typed = array_map(HeadingLookup::stem(...), Words::of($freeText));
        $covered =
            array_filter(
                $label,
                fn (string $stem): bool => array_filter(
                    $typed,
                    fn (string $one): bool => str_starts_with($stem, $one) || str_starts_with($one, $stem),
                ) !== [],
            ) === $label;
        if (! $covered) {
            $words = array_map(fn (string $word): Word => new Word($word), Words::of($heading->label));
            $phrase = count($words) === 1 ? $words[0] : new Phrase($words ?: [new Word($heading->label)]);
            $text = count($words) === 1 ? $words[0]->text : '"'.implode(' ', Words::of($heading->label)).'"';
            $this->gain(
                "twin/{$heading->label}",
                'heading without its words',
                "“{$heading->label}” is searched as a heading only; records that are not indexed yet may say {$text}.",
                $line,
                $phrase,
                $whole,
                [
                    'change' => 'add-terms',
                    'with' => ['block' => $block->id, 'texts' => [$text]],
                    'label' => "Add {$text}",
                ],
            );
        }
        if (! $heading->narrower) {
            foreach (Headings::schemes($review) as $scheme) {
                $narrower = (new Headings($scheme, $review))->narrower($heading->label);
                if ($narrower !== []) {
                    $exploded = new Heading($heading->label, true, $heading->major, $heading->qualifiers);
                    $this->gain(
                        "explode/{$heading->label}",
                        'narrower headings left out',
                        "“{$heading->label}” has narrower headings (".
                            implode(', ', array_slice($narrower, 0, 4)).
                            (count($narrower) > 4 ? ' …' : '').
                            ') that are not included.',
                        $line,
                        $exploded,
                        $whole,
                        [
                            'change' => 'set-line',
                            'with' => ['line' => $line, 'text' => Printer::print($exploded, Dialects::heron())->text],
                            'label' => 'Include them',
                        ],
                    );
                    break;
                }
            }
        }
        if ($heading->major || $heading->qualifiers !== []) {
            $plain = new Heading($heading->label, $heading->narrower);
            $this->gain(
                "narrowed/{$heading->label}",
                'narrowed early',
                "“{$heading->label}” is narrowed to ".
                    ($heading->major ? 'major topics' : 'a qualifier').
                    ', which loses studies when done early.',
                $line,
                $plain,
                $whole,
                [
                    'change' => 'set-line',
                    'with' => [
                        'line' => $line,
                        'text' => "heading:\"{$heading->label}\"".($heading->narrower ? '/narrower' : ''),
                    ],
                    'label' => 'Search all of it',
                ],
            );
        }
    }

    /** @param  list<Node>  $headings */
    private function asHeading(
        Review $review,
        Block $block,
        Node $root,
        string $line,
        array $headings,
        ?Node $whole,
    ): void {
        $words = $this->wordsOf($root);
        if ($words === [] || $root instanceof Operation) {
            return;
        }
        $typed = implode(' ', array_map(fn (Word $word): string => $word->text, $words));
        $used = array_map(
            fn (Node $node): string => $node instanceof Heading ? ConceptScheme::folded($node->label) : '',
            $headings,
        );
        foreach (Headings::schemes($review) as $scheme) {
            $thesaurus = new Headings($scheme, $review);
            $offer = $thesaurus->offers($typed)[0] ?? null;
            if (
                $offer !== null &&
                $offer->why->rank() <= 1 &&
                ! in_array(ConceptScheme::folded($offer->concept->label), $used, true) &&
                ! $this->isBelow($thesaurus, $offer->concept->label, $headings)
            ) {
                $text =
                    "heading:\"{$offer->concept->label}\"".
                    ($thesaurus->narrower($offer->concept->label) === [] ? '' : '/narrower');
                $this->gain(
                    "asheading/{$offer->concept->label}",
                    'words without their heading',
                    "“{$typed}” ".
                        ($offer->why->rank() === 0 ? 'is' : 'is a name of').
                        " the heading “{$offer->concept->label}” in {$scheme->title}, which “{$block->name}” does not have.",
                    $line,
                    Parser::parse($text)->root,
                    $whole,
                    [
                        'change' => 'add-terms',
                        'with' => ['block' => $block->id, 'texts' => [$text]],
                        'label' => 'Add the heading',
                    ],
                );
            }
        }
    }

    /** @param  list<Node>  $headings */
    private function isBelow(Headings $thesaurus, string $label, array $headings): bool
    {
        $above = array_merge([], ...$thesaurus->paths($label));
        foreach ($headings as $heading) {
            if ($heading instanceof Heading && $heading->narrower && in_array($heading->label, $above, true)) {
                return true;
            }
        }

        return false;
    }

    private function variant(
        Block $block,
        string $line,
        Node $root,
        Word $word,
        Word $other,
        string $texts,
        ?Node $whole,
        string $kind,
        string $what,
    ): void {
        $shown = $other->text.($other->truncated ? '*' : '');
        foreach (Words::of($texts) as $typed) {
            if ($typed === mb_strtolower($other->text)) {
                return;
            }
        }
        $replaced = $this->replaced($root, $word, $other);
        $text = Printer::print($replaced, Dialects::heron())->text;
        $this->gain(
            "variant/{$text}",
            $kind,
            "“{$word->text}".($word->truncated ? '*' : '')."” stands without {$what}, “{$shown}”.",
            $line,
            $replaced,
            $whole,
            ['change' => 'add-terms', 'with' => ['block' => $block->id, 'texts' => [$text]], 'label' => "Add {$text}"],
        );
    }

    private function replaced(Node $node, Word $word, Word $other): Node
    {
        return match (true) {
            $node === $word => $other,
            $node instanceof Phrase => new Phrase(
                array_map(fn (Word $one): Word => $one === $word ? $other : $one, $node->words),
            ),
            $node instanceof Fielded => new Fielded($node->fields, $this->replaced($node->inner, $word, $other)),
            $node instanceof Near => new Near(
                $this->replaced($node->left, $word, $other),
                $this->replaced($node->right, $word, $other),
                $node->distance,
            ),
            $node instanceof Operation => new Operation(
                $node->operator,
                array_map(fn (Node $one): Node => $this->replaced($one, $word, $other), $node->operands),
            ),
            default => $node,
        };
    }

    /** @return list<Word> */
    private function wordsOf(Node $node): array
    {
        return match (true) {
            $node instanceof Word => [$node],
            $node instanceof Phrase => $node->words,
            $node instanceof Fielded => $this->wordsOf($node->inner),
            $node instanceof Near => [...$this->wordsOf($node->left), ...$this->wordsOf($node->right)],
            $node instanceof Operation => array_merge(...array_map($this->wordsOf(...), $node->operands)),
            default => [],
        };
    }

    private function quoted(string $text): string
    {
        return str_contains($text, '"') ? $text : "“{$text}”";
    }

    /**
     * A likely spelling, from the words of the databases' own indexes and of the thesauri.
     *
     * @param  list<string>  $sources
     */
    private function meant(Review $review, array $sources, Node $root): ?string
    {
        $words = $this->wordsOf($root);
        $typed = count($words) === 1 ? Words::of($words[0]->text)[0] ?? '' : '';

        return $typed === '' ? null : Spelling::nearest($typed, $this->words->like($review, $sources, $typed));
    }

    private function lines(Lines $lines): void
    {
        $result = $lines->resultNumber();
        foreach ($lines->lines as $i => $line) {
            if ($line->isBlank()) {
                continue;
            }
            if ($i + 1 !== $result && $lines->usersOf($i + 1) === []) {
                $this->add(
                    "unused/{$line->text}",
                    'never used',
                    'Line #'.($i + 1)." (“{$line->text}”) is used by no other line and is not the result.",
                    $line->id,
                    ['change' => 'remove-line', 'with' => ['line' => $line->id], 'label' => 'Take it off'],
                );
            }
            if (MixedOperators::in($line->text)) {
                $this->add(
                    "mixed/{$line->text}",
                    'AND and OR mixed',
                    'Line #'.
                        ($i + 1).
                        ' has AND and OR side by side without brackets. It is read with AND first here; write brackets, so that everybody reads it alike.',
                    $line->id,
                    $line->parsed()->isComplete()
                        ? [
                            'change' => 'set-line',
                            'with' => ['line' => $line->id, 'text' => $this->bracketed($line->parsed()->root)],
                            'label' => 'Write the brackets',
                        ]
                        : null,
                );
            }
        }
    }

    /** As it is read here, with the brackets that make everybody read it so. */
    private function bracketed(Node $root): string
    {
        $print = fn (Node $node): string => Printer::print($node, Dialects::heron())->text;
        if (! ($root instanceof Operation)) {
            return $print($root);
        }

        return implode(
            ' '.strtoupper($root->operator->value).' ',
            array_map(
                fn (Node $operand): string => $operand instanceof Operation
                    ? '('.$this->bracketed($operand).')'
                    : $print($operand),
                $root->operands,
            ),
        );
    }

    /** @param  list<string>  $sources */
    private function knownItems(Review $review, Lines $lines, array $sources): void
    {
        $items = $review->knownItems()->limit(60)->get();
        foreach ($lines->lines as $i => $line) {
            $root = $line->isBlank() ? null : $line->parsed()->root;
            if (! ($root instanceof Operation) || $root->operator !== Operator::Not || $items->isEmpty()) {
                continue;
            }
            try {
                $whole = $lines->writtenOut($i + 1);
            } catch (BadStrategy) {
                continue;
            }
            if (! ($whole instanceof Operation) || $whole->operator !== Operator::Not) {
                continue;
            }
            foreach ($items as $item) {
                foreach ($sources as $source) {
                    $clause = $this->known->clause($review, $item, $source);
                    $thrown =
                        $clause === null
                            ? 0
                            : $this->one(
                                $review,
                                $source,
                                new Operation(Operator::And, [$clause, $whole->operands[0]]),
                            ) - $this->one($review, $source, new Operation(Operator::And, [$clause, $whole]));
                    if ($thrown > 0) {
                        $this->add(
                            "not/{$line->text}/{$item->id}",
                            'NOT loses a known item',
                            'The NOT in line #'.
                                ($i + 1).
                                " throws out “{$item->title}”, which is known to be relevant.",
                            $line->id,
                            null,
                        );
                        break;
                    }
                }
            }
        }
    }

    private function one(Review $review, string $source, Node $query): int
    {
        $compiled = $this->compiler->compile($review, $source, $query);
        $count = $compiled->isUsable()
            ? $this->counts->of($source, [$compiled->text], self::SECONDS)[$compiled->text] ?? 0
            : 0;

        return is_int($count) ? $count : 0;
    }

    private function blockNode(Lines $lines, Block $block): ?Node
    {
        try {
            return $block->terms === [] ? null : $lines->writtenOut((int) $lines->numberOf($block->id));
        } catch (BadStrategy) {
            return null;
        }
    }

    /** @param  ?array{change: string, with: array<string, mixed>, label: string}  $apply */
    private function add(string $key, string $kind, string $text, ?string $line, ?array $apply): void
    {
        $key = mb_substr($key, 0, 400);
        if (! in_array($key, array_column($this->findings, 'key'), true)) {
            $this->findings[] = [
                'key' => $key,
                'kind' => $kind,
                'text' => $text,
                'line' => $line,
                'effect' => [],
                'apply' => $apply,
            ];
        }
    }

    /** @param  array{change: string, with: array<string, mixed>, label: string}  $apply */
    private function gain(
        string $key,
        string $kind,
        string $text,
        string $line,
        Node $more,
        ?Node $whole,
        array $apply,
    ): void {
        $before = count($this->findings);
        $this->add($key, $kind, $text, $line, $apply);
        if ($whole !== null && count($this->findings) > $before) {
            $this->gains[$before] = [$more, $whole];
        }
    }

    /** @param  list<string>  $sources */
    private function count(Review $review, array $sources): void
    {
        foreach ($sources as $source) {
            $texts = [];
            foreach ($this->gains as $i => [$more, $whole]) {
                $compiled = $this->compiler->compile($review, $source, new Operation(Operator::Not, [$more, $whole]));
                $compiled->isUsable() && ($texts[$i] = $compiled->text);
            }
            $counts = $this->counts->of($source, array_values($texts), self::SECONDS);
            foreach ($texts as $i => $text) {
                if (is_int($counts[$text] ?? null)) {
                    $this->findings[$i]['effect'][$source] = $counts[$text];
                }
            }
        }
    }
}
