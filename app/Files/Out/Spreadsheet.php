<?php

declare(strict_types=1);

namespace App\Files\Out;

use OpenSpout\Common\Entity\Cell;
use OpenSpout\Writer\Common\Creator\Style\StyleBuilder;
use OpenSpout\Writer\Common\Creator\WriterEntityFactory;
use WaryHeron\Core\Bibliography\Format\Csv\CsvWriter;
use WaryHeron\Core\Bibliography\Reference;

/** References as an XLSX file, in the columns of the CSV. */
final class Spreadsheet
{
    public const MEDIA_TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

    /**
     * @param  iterable<Reference>  $references
     * @param  list<list<string>>  $about  a second sheet, such as the strategy
     */
    public static function write(string $path, iterable $references, array $about = []): void
    {
        self::rows(
            $path,
            (function () use ($references): \Generator {
                yield CsvWriter::COLUMNS;
                foreach ($references as $reference) {
                    yield CsvWriter::cells($reference);
                }
            })(),
            $about,
        );
    }

    /**
     * @param  iterable<list<string|int|float|\DateTimeImmutable|null>>  $rows
     * @param  list<list<string>>  $about  a second sheet, such as the strategy
     */
    public static function rows(string $path, iterable $rows, array $about = []): void
    {
        $writer = WriterEntityFactory::createXLSXWriter();
        $writer->openToFile($path);
        foreach ($rows as $row) {
            $writer->addRow(WriterEntityFactory::createRow(array_map(self::cell(...), $row)));
        }
        if ($about !== []) {
            $writer->addNewSheetAndMakeItCurrent()->setName('Strategy');
            foreach ($about as $row) {
                $writer->addRow(WriterEntityFactory::createRow(array_map(self::cell(...), $row)));
            }
        }
        $writer->close();
    }

    /** Text stays text: what begins with = is a formula to the library otherwise. */
    private static function cell(string|int|float|\DateTimeImmutable|null $value): Cell
    {
        if ($value instanceof \DateTimeImmutable) {
            return WriterEntityFactory::createCell(
                \DateTime::createFromImmutable($value),
                (new StyleBuilder())->setFormat('yyyy-mm-dd')->build(),
            );
        }
        $cell = WriterEntityFactory::createCell(
            is_string($value)
                ? preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', mb_substr($value, 0, 32_000)) ?? ''
                : $value,
        );
        if (is_string($value)) {
            $cell->setType(Cell::TYPE_STRING);
        }

        return $cell;
    }
}
