<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

/** Terms that find nothing, or nothing that the others of their concept do not find. */
final class YieldCheck
{
    /**
     * @param  list<array{own: mixed, only: mixed}>  $yields  of the term in each database: records it finds, and those
     *     that it alone finds; no numbers where they are not known
     * @param  \Closure(): ?string  $meant  a likely spelling of the term, asked where it finds nothing
     * @return \Generator<int, Finding>
     */
    public static function of(CheckedTerm $term, array $yields, \Closure $meant): \Generator
    {
        $own = array_filter(array_column($yields, 'own'), is_int(...));
        $only = array_filter(array_column($yields, 'only'), is_int(...));
        $line = $term->line->id;
        if ($own !== [] && array_sum($own) === 0) {
            $spelling = $meant();
            yield new Finding(
                "zero/{$term->text()}",
                'finds nothing',
                "{$term->quoted()} finds nothing anywhere.".($spelling === null ? '' : " Is “{$spelling}” meant?"),
                $line,
                $spelling === null ? Remedy::removeTerm($line) : Remedy::write($line, $spelling, "Write “{$spelling}”"),
            );
        } elseif ($only !== [] && count($only) === count($own) && array_sum($only) === 0) {
            yield new Finding(
                "nothing/{$term->text()}",
                'adds nothing',
                "{$term->quoted()} adds nothing: the other terms of “{$term->block->name}” find all of its records.",
                $line,
                Remedy::removeTerm($line),
            );
        }
    }
}
