<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy\Translated;

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;

/**
 * Says a query's headings in another thesaurus: the same label, else what a person confirmed, else not at all and
 * with a note. Branches left out of the narrower headings are written out, since hardly a database can say that.
 */
final class HeadingTranslation
{
    /** @var list<TranslationNote> */
    public array $notes = [];

    private function __construct(private readonly TargetHeadings $target)
    {
    }

    public static function of(Node $node, TargetHeadings $target): TranslatedNode
    {
        $translation = new self($target);

        return new TranslatedNode($translation->node($node), $translation->notes);
    }

    private function node(Node $node): ?Node
    {
        return match (true) {
            $node instanceof Heading => $this->heading($node),
            $node instanceof Operation => $this->operation($node),
            $node instanceof Fielded, $node instanceof Near => $node,
            default => $node,
        };
    }

    private function operation(Operation $node): ?Node
    {
        $kept = [];
        foreach ($node->operands as $i => $operand) {
            $said = $this->node($operand);
            if (
                $said === null &&
                ($node->operator === Operator::And || ($node->operator === Operator::Not && $i === 0))
            ) {
                return null;
            }
            $said === null || ($kept[] = $said);
        }

        return count($kept) < 2 ? $kept[0] ?? null : new Operation($node->operator, $kept);
    }

    private function heading(Heading $node): ?Node
    {
        $labels = $this->target->has($node->label) ? [$node->label] : $this->target->confirmed($node->label);
        $about = Printer::print($node, Dialects::heron())->text;
        if ($labels === []) {
            $this->notes[] = TranslationNote::changed(
                $about,
                'not a heading of this thesaurus, so it is left out here, which finds less; '.$this->known($node->label),
            );

            return null;
        }
        $said = array_map(fn (string $label): Node => $this->called($label, $node, $about), $labels);
        if ($labels !== [$node->label]) {
            $is = 'is '.self::quoted($labels, ' or ').' here, as confirmed';
            $this->notes[] = TranslationNote::changed($about, $is);
        }

        return count($said) === 1 ? $said[0] : new Operation(Operator::Or, $said);
    }

    /** The heading as it is called here, with what its branch brings besides. */
    private function called(string $label, Heading $node, string $about): Node
    {
        $branches = $this->branchesHere($node, $about);
        $here = $this->withoutBranches(
            new Heading($label, $node->narrower, $node->major, $node->qualifiers, $branches),
        );
        $extra = $node->narrower ? $this->target->broughtAlong($label, $node->label) : [];
        if ($extra !== []) {
            $more = count($extra) > 6 ? ' and '.(count($extra) - 6).' more' : '';
            $some = implode(', ', array_slice($extra, 0, 6));
            $this->notes[] = TranslationNote::changed(
                $about,
                "its narrower headings here bring {$some}{$more}, which it has not where it was chosen",
            );
        }

        return $here;
    }

    private function known(string $label): string
    {
        $candidates = array_slice($this->target->candidates($label), 0, 4);

        return $candidates === [] ? 'no candidate is known' : 'candidates: '.self::quoted($candidates, ', ');
    }

    /** @param  list<string>  $labels */
    private static function quoted(array $labels, string $between): string
    {
        return implode($between, array_map(fn (string $one): string => "“{$one}”", $labels));
    }

    /** @return list<string> what the branches that are left out are called there */
    private function branchesHere(Heading $node, string $about): array
    {
        $here = [];
        foreach ($node->less as $branch) {
            $labels = $this->target->has($branch) ? [$branch] : $this->target->confirmed($branch);
            if ($labels === []) {
                $this->notes[] = TranslationNote::changed(
                    $about,
                    "the branch “{$branch}” is not a heading here and is not left out, which finds more",
                );
            }
            array_push($here, ...$labels);
        }

        return $here;
    }

    /** heading A with its branches but B: A alone, or any other branch right below it, and so on down to B. */
    private function withoutBranches(Heading $node): Node
    {
        if (! $node->narrower || $node->less === []) {
            return $node;
        }
        $parts = [];
        $seen = [];
        $this->branches($node, $node->label, array_map(mb_strtolower(...), $node->less), $seen, $parts);

        return count($parts) < 2 ? $parts[0] ?? $node : new Operation(Operator::Or, $parts);
    }

    /**
     * Adds the heading alone and its branches: whole where nothing in them is left out, else heading by heading.
     *
     * @param  list<string>  $without
     * @param  array<string, bool>  $seen  whether a heading's branch holds one that is left out
     * @param  list<Heading>  $parts
     */
    private function branches(Heading $node, string $label, array $without, array &$seen, array &$parts): void
    {
        $parts[] = new Heading($label, false, $node->major, $node->qualifiers);
        foreach ($this->target->narrower($label) as $below) {
            if (in_array(mb_strtolower($below), $without, true)) {
                continue;
            }
            if (! $this->holds($below, $without, $seen)) {
                $parts[] = new Heading($below, $this->target->narrower($below) !== [], $node->major, $node->qualifiers);
            } else {
                $this->branches($node, $below, $without, $seen, $parts);
            }
        }
    }

    /**
     * @param  list<string>  $without
     * @param  array<string, bool>  $seen
     */
    private function holds(string $label, array $without, array &$seen): bool
    {
        if (! isset($seen[$label])) {
            $seen[$label] = false;
            foreach ($this->target->narrower($label) as $below) {
                if (in_array(mb_strtolower($below), $without, true) || $this->holds($below, $without, $seen)) {
                    return $seen[$label] = true;
                }
            }
        }

        return $seen[$label];
    }
}
