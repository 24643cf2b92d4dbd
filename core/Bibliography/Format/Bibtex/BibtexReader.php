<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;

/**
 * Reads BibTeX entry by entry, LaTeX turned into plain text. One that refers to another by crossref or xdata takes
 * over what it lacks, wherever that stands.
 */
final class BibtexReader implements RecognisesItself, ReferenceReader
{
    private const MONTHS = [
        'jan' => 'Jan',
        'feb' => 'Feb',
        'mar' => 'Mar',
        'apr' => 'Apr',
        'may' => 'May',
        'jun' => 'Jun',
        'jul' => 'Jul',
        'aug' => 'Aug',
        'sep' => 'Sep',
        'oct' => 'Oct',
        'nov' => 'Nov',
        'dec' => 'Dec',
    ];

    /** What speaks to a program, or, as a set, names other entries of the file. */
    private const NO_WORK = '/^(?:comment|preamble|set|control|setup|.*bstctl|.*-options)$/';

    /** So many bytes all strings may have together. */
    private const MOST_STRINGS = 4_194_304;

    public function recognises(string $beginning): bool
    {
        return preg_match('/(?:^|[\r\n])\s*@\s*[A-Za-z]{3,30}\s*[{(]/', $beginning) === 1;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $strings = self::MONTHS;
        $held = 0;
        $families = new BibtexFamilies();
        $anything = false;
        foreach ((new BibtexBlocks())->of(Lines::of($stream, $reading)) as $line => $text) {
            $anything = true;
            $kind = preg_match('/^@\s*('.BibtexEntry::TYPE.')/', $text, $found) === 1 ? strtolower($found[1]) : '';
            if (preg_match(self::NO_WORK, $kind) === 1) {
                continue;
            }
            if (strlen($text) > self::LARGEST_RECORD) {
                yield UnreadableRecord::tooLarge($line, $text);

                continue;
            }
            try {
                if ($kind === 'string') {
                    $string = $this->string($text, $strings);
                    [$name, $value] = [$string->name, $string->value];
                    $held += strlen($value);
                    if ($held > self::MOST_STRINGS) {
                        throw new \InvalidArgumentException(
                            'All strings together have more than '.
                                number_format(self::MOST_STRINGS).
                                ' bytes; this one is not kept.',
                        );
                    }
                    $strings[$name] = $value;

                    continue;
                }
                $entry = BibtexEntry::parse($text, $line, $strings);
            } catch (\InvalidArgumentException $wrong) {
                yield UnreadableRecord::broken($line, $wrong->getMessage(), $text);

                continue;
            }
            foreach ($families->take($entry) as $whole) {
                yield BibtexWork::reference($whole);
            }
        }
        foreach ($families->rest() as $child) {
            yield BibtexWork::reference($child);
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
    }

    /** @param  array<string, string>  $strings */
    private function string(string $text, array $strings): BibtexString
    {
        if (preg_match('/^@\s*string\s*[{(]\s*([^\s=]+)\s*=\s*/i', $text, $head) !== 1) {
            throw new \InvalidArgumentException('A string reads like @string{name = {value}}.');
        }
        $at = strlen($head[0]);

        return new BibtexString(strtolower($head[1]), BibtexEntry::value($text, $at, $strings, $head[1]));
    }
}
