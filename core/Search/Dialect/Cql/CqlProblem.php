<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

/**
 * Why a CQL text was refused: the SRU diagnostic's number, its detail, and the column (from 1) where reading stopped.
 */
final class CqlProblem extends \RuntimeException
{
    public function __construct(
        public readonly int $diagnostic,
        public readonly string $detail,
        public readonly int $column,
    ) {
        parent::__construct(
            "Column {$column}: ".
                (self::MEANINGS[$diagnostic] ?? 'query refused').
                ($detail === '' ? '' : ": {$detail}").
                '.',
        );
    }

    public const MEANINGS = [
        10 => 'Query syntax error',
        12 => 'Too many characters in query',
        13 => 'Invalid or unsupported use of parentheses',
        14 => 'Invalid or unsupported use of quotes',
        15 => 'Unsupported context set',
        16 => 'Unsupported index',
        19 => 'Unsupported relation',
        20 => 'Unsupported relation modifier',
        22 => 'Unsupported combination of relation and index',
        27 => 'Empty term unsupported',
        28 => 'Masking character not supported',
        29 => 'Masked words too short',
        31 => 'Anchoring character not supported',
        36 => 'Term in invalid format for index or relation',
        37 => 'Unsupported boolean operator',
        40 => 'Unsupported proximity relation',
        41 => 'Unsupported proximity distance',
        42 => 'Unsupported proximity unit',
        43 => 'Unsupported proximity ordering',
        46 => 'Unsupported boolean modifier',
        48 => 'Query feature unsupported',
        80 => 'Sort not supported',
        82 => 'Unsupported sort sequence',
        86 => 'Unsupported sort schema or modifier',
    ];
}
