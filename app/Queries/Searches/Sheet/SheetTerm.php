<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** A term of a block: as it is written, and as the board shows it. */
final readonly class SheetTerm
{
    /**
     * @param  string  $shown  without its field or the sign of a heading
     * @param  list<string>  $tags  its fields, or what is asked of the heading
     * @param  string  $heading  its label; empty where it is none
     */
    private function __construct(
        public string $id,
        public int $number,
        public string $text,
        public string $shown,
        public array $tags = [],
        public string $heading = '',
        public string $problem = '',
    ) {
    }

    public static function of(StrategyLine $line, int $number): self
    {
        $parsed = $line->parsed();
        $root = $parsed->root;
        $problem = $parsed->isComplete() ? '' : $parsed->problems[0]->message();

        return match (true) {
            $root instanceof Heading => new self(
                $line->id,
                $number,
                $line->text,
                $root->label,
                self::asked($root),
                $root->label,
                $problem,
            ),
            $problem === '' && $root instanceof Fielded => new self(
                $line->id,
                $number,
                $line->text,
                Printer::print($root->inner, Dialects::heron())->text,
                [implode(', ', array_map(fn (Field $field): string => $field->value, $root->fields))],
            ),
            default => new self($line->id, $number, $line->text, $line->text, problem: $problem),
        };
    }

    /** @return list<string> */
    private static function asked(Heading $heading): array
    {
        $less = $heading->less === [] ? '' : ', less '.count($heading->less);
        $narrower = $heading->narrower ? ["+ narrower{$less}"] : [];

        return [...$narrower, ...$heading->major ? ['major topic'] : [], ...$heading->qualifiers];
    }
}
