<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Mods;

use DOMDocument;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/**
 * Reads the mods elements of a file one at a time, each parsed by itself, so that one that is not well formed costs
 * no other. A document type or entities of its own are refused.
 */
final class ModsFileReader implements RecognisesItself, ReferenceReader
{
    public function recognises(string $beginning): bool
    {
        return preg_match('/<(?:[\w.-]+:)?mods(?:Collection)?[\s>]/', $beginning) === 1 &&
            preg_match('/^\s*</', $beginning) === 1;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $text = null;
        $start = 0;
        $end = '';
        $names = '';
        $head = '';
        $anything = false;
        foreach (Lines::of($stream, $reading) as $number => $line) {
            $line .= "\n";
            while ($line !== '') {
                if ($text === null) {
                    if (preg_match('/<((?:[\w.-]+:)?mods)(?=[\s>])/', $line, $found, PREG_OFFSET_CAPTURE) !== 1) {
                        $head = $anything ? '' : substr($head.$line, -65536);
                        $this->refuseDeclarations($line);

                        continue 2;
                    }
                    $before = substr($line, 0, $found[0][1]);
                    $this->refuseDeclarations($before);
                    if (! $anything) {
                        // the names that the elements around it declare are needed to read it by itself
                        preg_match_all(
                            '/\sxmlns(?::[\w.-]+)?\s*=\s*(?:"[^"<]*"|\'[^\'<]*\')/',
                            $head.$before,
                            $declared,
                        );
                        $names = implode('', array_unique($declared[0]));
                    }
                    $anything = true;
                    [$text, $start, $end, $line] = ['', $number, "</{$found[1][0]}", substr($line, $found[0][1])];
                }
                $close = strpos($line, $end);
                $close = $close === false ? false : strpos($line, '>', $close);
                if ($close === false) {
                    $text .= strlen($text) <= self::LARGEST_RECORD ? $line : '';

                    continue 2;
                }
                yield $this->reference($text.substr($line, 0, $close + 1), $names, $start);
                $text = null;
                $line = substr($line, $close + 1);
            }
        }
        if ($text !== null) {
            yield UnreadableRecord::broken($start, 'The file ends within this record.', $text);
        }
        if (! $anything && preg_match('/<(?:[\w.-]+:)?modsCollection/', $head) !== 1) {
            throw UnusableFile::unknownFormat();
        }
    }

    /**
     * Files of before MODS 3 name another namespace, and some name none; the elements that we read are called the same
     * in all.
     */
    private static function inOneNamespace(string $names, string $text): string
    {
        $ours = fn (string $xml): string => (string) preg_replace(
            '~(\sxmlns(?::[\w.-]+)?\s*=\s*["\'])https?://www\.loc\.gov/mods(?:/v\d+)?/?(["\'])~',
            '${1}'.ModsReader::NAMESPACE.'$2',
            $xml,
        );
        $default = preg_match('/\sxmlns\s*=/', $names) === 1 ? '' : ' xmlns="'.ModsReader::NAMESPACE.'"';

        return "<records{$default}{$ours($names)}>{$ours($text)}</records>";
    }

    private function refuseDeclarations(string $text): void
    {
        // each record is read by itself: a type that is only named is never looked up
        if (preg_match('/<!ENTITY|<!DOCTYPE[^>]*(?:\[|$)/i', $text) === 1) {
            throw UnusableFile::declaresEntities();
        }
    }

    private function reference(string $text, string $names, int $line): Reference|UnreadableRecord
    {
        if (strlen($text) > self::LARGEST_RECORD) {
            return UnreadableRecord::tooLarge($line, $text);
        }
        $document = new DOMDocument();
        $before = libxml_use_internal_errors(true);
        $read = $document->loadXML(self::inOneNamespace($names, $text), LIBXML_NONET | LIBXML_COMPACT);
        $wrong = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $mods = $read ? $document->documentElement?->firstElementChild : null;
        if ($mods === null) {
            $where = $wrong === false ? $line : $line + max(0, $wrong->line - 1);

            return UnreadableRecord::broken(
                $line,
                'The XML of this record is not well formed, at line '.
                    number_format($where).
                    ': '.
                    lcfirst(trim($wrong === false ? 'it cannot be read' : $wrong->message)).
                    '.',
                $text,
            );
        }
        if ($mods->namespaceURI !== ModsReader::NAMESPACE) {
            return UnreadableRecord::broken($line, 'This mods element is not in the namespace of MODS 3.', $text);
        }
        $reference = (new ModsReader())->reference($mods);

        return $reference instanceof UnreadableRecord
            ? UnreadableRecord::broken($line, $reference->message, $text)
            : $reference->at($text, $line);
    }
}
