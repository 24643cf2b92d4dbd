<?php

declare(strict_types=1);

namespace Bench\Fuzz;

use Bench\SyntheticSources;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Coding\Lead\Asked\BadCodebook;
use WaryHeron\Core\Coding\Lead\Asked\Codebook;
use WaryHeron\Core\Report\Document\BadDocument;
use WaryHeron\Core\Report\Document\Schema;
use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Ccl\CclParser;
use WaryHeron\Core\Search\Dialect\Ccl\CclProblem;
use WaryHeron\Core\Search\Dialect\Cql\CqlParser;
use WaryHeron\Core\Search\Dialect\Cql\CqlProblem;
use WaryHeron\Core\Search\Dialect\DialectFile;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Query\Parser;

/** Everything of the core that reads what people bring, each with something valid to begin from. */
final class Readers
{
    private const PRINTED = "References\n1. Kolbe A, Haas M, et al. Dim lamps in wards: a trial. J Sleep. 2004;3(2):12-9. doi:10.71111/abc\n"
        ."2. Ito, K. (2009, March 3). Do visors help? A trial. Lamps and Lux, 4(1), 1–9.\n"
        ."3. Night Council of the Wards. Lamps at work. Lund: Fen House; 2012.\n"
        ."4. Ude, Anna. “Lamps of the night.” Journal of Sleep 3, no. 2 (2004): 12–19.\n"
        ."5. P. Dahl, S. Vik, Glare at night: a review, Build. Nights 155 (2019) 106432.\n"
        ."6. Ito K. (2011): Lampen auf\nStation. In: L. Ek (Hg.): Licht und Arbeit. Lund: Fen House, S. 101–120.\n"
        ."7. Nes R. Porters. In: Proceedings of the 4th Night Congress; 2016 May 3-5; Lund. p. 44-9.\n";

    private const QUERY = '(heading:"Night work" OR night* NEAR/2 shift*) AND title:(lamp* OR "bright light") NOT year:2005-2020';

    private const CODEBOOK = '{"items": [{"id": "design", "label": "Study design", "type": "choice", "options": ["trial", "cohort"], '.
        '"guidance": "As the authors say."}, {"id": "n", "label": "People analysed", "type": "number", "unit": "people"}]}';

    private const DOCUMENT = '{"type": "doc", "content": [{"type": "heading", "attrs": {"level": 2}, "content": [{"type": "text", "text": "How we '.
        'searched"}]}, {"type": "paragraph", "content": [{"type": "text", "text": "Lamps", "marks": [{"type": "bold"}]}]}]}';

    /** @return array<string, array{non-empty-string, \Closure(string): int}> by name: a valid text, and what reads it: how much was read */
    public static function all(): array
    {
        $readers = [];
        $records = iterator_to_array((new SyntheticSources(5))->records(6), false);
        foreach (Formats::writers() as $format => $writer) {
            $text = implode('', [...$writer->write($records)]);
            $readers[$format] = [$text === '' ? ' ' : $text, fn (string $bytes): int => self::references($format, $bytes)];
        }
        $root = dirname(__DIR__, 2);

        return [...$readers,
            'printed' => [self::PRINTED, fn (string $bytes): int => self::references('printed', $bytes)],
            'query' => [self::QUERY, fn (string $text): int => count(Parser::parse($text)->problems)],
            'cql' => ['(alder.heading = "Night work" or (night* prox/unit=word/distance<=2 shift*)) and dc.title = "lamp*"', self::cql(...)],
            'ccl' => ['(night? %2 shift? OR TI=lamp?) AND PY=2005-2020', self::ccl(...)],
            'dialect' => [self::whole("{$root}/core/Search/Dialect/files/ccl.json"), self::dialect(...)],
            'codebook' => [self::CODEBOOK, self::codebook(...)],
            'document' => [self::DOCUMENT, self::document(...)],
        ];
    }

    private static function references(string $format, string $bytes): int
    {
        $stream = fopen('php://temp', 'r+b');
        assert($stream !== false);
        fwrite($stream, $bytes);
        rewind($stream);
        $read = 0;
        try {
            foreach (Formats::readers()[$format]->read($stream) as $one) {
                $read += $one instanceof UnreadableRecord ? 0 : 1;
            }
        } catch (UnusableFile) {
            // refused, with what is wrong
        } finally {
            fclose($stream);
        }

        return $read;
    }

    private static function cql(string $text): int
    {
        try {
            CqlParser::parse($text, Dialects::cql());
        } catch (CqlProblem) {
            return 0;
        }

        return 1;
    }

    private static function ccl(string $text): int
    {
        try {
            CclParser::parse($text, Dialects::named('ccl') ?? throw new \LogicException('It ships.'));
        } catch (CclProblem) {
            return 0;
        }

        return 1;
    }

    private static function dialect(string $text): int
    {
        try {
            return count(DialectFile::read($text));
        } catch (BadDialect) {
            return 0;
        }
    }

    private static function codebook(string $text): int
    {
        try {
            return count(Codebook::fromJson($text)->items);
        } catch (BadCodebook) {
            return 0;
        }
    }

    private static function document(string $text): int
    {
        try {
            return count(Schema::read($text)->content);
        } catch (BadDocument) {
            return 0;
        }
    }

    /** @return non-empty-string */
    private static function whole(string $file): string
    {
        $text = file_get_contents($file);

        return $text === false || $text === '' ? throw new \RuntimeException("{$file} is not there.") : $text;
    }
}
