<?php

declare(strict_types=1);

namespace App\Files\In;

use OpenSpout\Common\Exception\SpoutException;
use OpenSpout\Reader\Common\Creator\ReaderEntityFactory;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use ZipArchive;

/** The first sheet of an XLSX file as rows of text. */
final class Workbook
{
    public static function is(string $path): bool
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            return false;
        }
        $is = $zip->locateName('xl/workbook.xml') !== false;
        $zip->close();

        return $is;
    }

    /**
     * @return \Generator<int, list<string>> by row number from 1
     *
     * @throws UnusableFile
     */
    public static function rows(string $path): \Generator
    {
        self::refuseHarmful($path);
        $reader = ReaderEntityFactory::createXLSXReader();
        $reader->setShouldPreserveEmptyRows(true);
        try {
            $reader->open($path);
            foreach ($reader->getSheetIterator() as $sheet) {
                foreach ($sheet?->getRowIterator() ?? [] as $number => $row) {
                    yield (int) $number => array_map(self::text(...), array_values($row->toArray()));
                }
                break;
            }
        } catch (SpoutException $wrong) {
            throw new UnusableFile('The XLSX file cannot be read: '.lcfirst($wrong->getMessage()));
        } catch (\Error) {
            // the library trusts what a workbook says of itself
            throw new UnusableFile('The XLSX file is damaged: a cell names something that is not in it.');
        } finally {
            $reader->close();
        }
    }

    private static function text(mixed $cell): string
    {
        return match (true) {
            $cell instanceof \DateTimeInterface => $cell->format('Y-m-d'),
            is_bool($cell) => $cell ? 'true' : 'false',
            is_scalar($cell) => mb_scrub((string) $cell, 'UTF-8'),
            default => '',
        };
    }

    /** What is said of the size in a zip file may be a lie, so it is unpacked once to nowhere. */
    private static function refuseHarmful(string $path): void
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new UnusableFile('The XLSX file is damaged or cut off: it cannot be opened.');
        }
        $written = 0;
        try {
            for ($i = 0; $i < $zip->numFiles; $i++) {
                $stream = $zip->getStreamIndex($i);
                if ($stream === false) {
                    throw new UnusableFile('The XLSX file is encrypted or damaged.');
                }
                for ($end = ''; ($chunk = (string) fread($stream, 1_048_576)) !== ''; $end = substr($chunk, -40)) {
                    $written += strlen($chunk);
                    Unpacking::bound($written, (int) filesize($path));
                    // wherever it stands, and also in an encoding of two bytes
                    if (preg_match('/<!(?:DOCTYPE|ENTITY)/i', str_replace("\0", '', $end.$chunk)) === 1) {
                        throw UnusableFile::declaresEntities();
                    }
                }
                fclose($stream);
            }
        } finally {
            $zip->close();
        }
    }
}
