<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\ConceptScheme;
use WaryHeron\Core\Vocabulary\HeadingLookup;

/** Headings without their words, without those below them, narrowed early; and words without their heading. */
final readonly class HeadingCheck
{
    private const SHOWN = 4;

    /** @param  list<Thesaurus>  $thesauri */
    public function __construct(private array $thesauri)
    {
    }

    /** @return \Generator<int, Finding> */
    public function of(CheckedTerm $term): \Generator
    {
        if ($term->root instanceof Heading) {
            yield from $this->twin($term, $term->root);
            yield from $this->narrower($term, $term->root);
            yield from $this->narrowed($term, $term->root);
        } elseif (! ($term->root instanceof Operation)) {
            yield from $this->missing($term, TermWords::of($term->root));
        }
    }

    /** @return \Generator<int, Finding> */
    private function twin(CheckedTerm $term, Heading $heading): \Generator
    {
        $words = Words::of($heading->label);
        if ($this->isTyped($term, $words)) {
            return;
        }
        $nodes = array_map(fn (string $word): Word => new Word($word), $words === [] ? [$heading->label] : $words);
        $text = count($words) === 1 ? $words[0] : '"'.implode(' ', $words).'"';
        yield $term->adding(
            "twin/{$heading->label}",
            'heading without its words',
            "“{$heading->label}” is searched as a heading only; records that are not indexed yet may say {$text}.",
            $text,
            count($nodes) === 1 ? $nodes[0] : new Phrase($nodes),
            "Add {$text}",
        );
    }

    /**
     * Whether the concept has all of these words, in any form, among its terms that are no headings.
     *
     * @param  list<string>  $words
     */
    private function isTyped(CheckedTerm $term, array $words): bool
    {
        $typed = [];
        foreach ($term->block->terms as $line) {
            $typed = [...$typed, ...$line->parsed()->root instanceof Heading ? [] : Words::of($line->text)];
        }
        $stems = array_map(HeadingLookup::stem(...), $typed);
        foreach (array_map(HeadingLookup::stem(...), $words) as $stem) {
            $alike = fn (string $one): bool => str_starts_with($stem, $one) || str_starts_with($one, $stem);
            if (array_filter($stems, $alike) === []) {
                return false;
            }
        }

        return true;
    }

    /** @return \Generator<int, Finding> */
    private function narrower(CheckedTerm $term, Heading $heading): \Generator
    {
        foreach ($heading->narrower ? [] : $this->thesauri as $thesaurus) {
            $below = $thesaurus->narrower($heading->label);
            if ($below === []) {
                continue;
            }
            $some =
                implode(', ', array_slice($below, 0, self::SHOWN)).(count($below) > self::SHOWN ? ' …' : '');
            $all = new Heading($heading->label, true, $heading->major, $heading->qualifiers);
            yield $term->rewriting(
                "explode/{$heading->label}",
                'narrower headings left out',
                "“{$heading->label}” has narrower headings ({$some}) that are not included.",
                Printer::print($all, Dialects::heron())->text,
                $all,
                'Include them',
            );

            break;
        }
    }

    /** @return \Generator<int, Finding> */
    private function narrowed(CheckedTerm $term, Heading $heading): \Generator
    {
        if (! $heading->major && $heading->qualifiers === []) {
            return;
        }
        $to = $heading->major ? 'major topics' : 'a qualifier';
        yield $term->rewriting(
            "narrowed/{$heading->label}",
            'narrowed early',
            "“{$heading->label}” is narrowed to {$to}, which loses studies when done early.",
            self::written($heading->label, $heading->narrower),
            new Heading($heading->label, $heading->narrower),
            'Search all of it',
        );
    }

    /**
     * @param  list<Word>  $words
     * @return \Generator<int, Finding>
     */
    private function missing(CheckedTerm $term, array $words): \Generator
    {
        $typed = implode(' ', array_map(fn (Word $word): string => $word->text, $words));
        foreach ($typed === '' ? [] : $this->thesauri as $thesaurus) {
            $offer = $thesaurus->named($typed);
            if ($offer === null || $this->hasHeading($term, $thesaurus, $offer->concept->label)) {
                continue;
            }
            $label = $offer->concept->label;
            $text = self::written($label, $thesaurus->narrower($label) !== []);
            $is = $offer->why->rank() === 0 ? 'is' : 'is a name of';
            yield $term->adding(
                "asheading/{$label}",
                'words without their heading',
                "“{$typed}” {$is} the heading “{$label}” in {$thesaurus->title()}, which “{$term->block->name}” does not have.",
                $text,
                Parser::parse($text)->root,
                'Add the heading',
            );
        }
    }

    /** Whether the concept has the heading, or one above it with all below. */
    private function hasHeading(CheckedTerm $term, Thesaurus $thesaurus, string $label): bool
    {
        $above = $thesaurus->above($label);
        foreach ($term->block->terms as $line) {
            $heading = $line->parsed()->root;
            $isSame =
                $heading instanceof Heading && ConceptScheme::folded($heading->label) === ConceptScheme::folded($label);
            if (
                $isSame ||
                ($heading instanceof Heading && $heading->narrower && in_array($heading->label, $above, true))
            ) {
                return true;
            }
        }

        return false;
    }

    private static function written(string $label, bool $narrower): string
    {
        return "heading:\"{$label}\"".($narrower ? '/narrower' : '');
    }
}
