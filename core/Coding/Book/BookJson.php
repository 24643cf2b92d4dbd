<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

/** Codebooks as JSON: {"title", "items": […]}, each item as BookItems has it. */
final class BookJson
{
    /** @param  list<Entry>  $entries */
    public static function write(string $title, array $entries): string
    {
        $items = array_map(BookItems::values(...), $entries);
        $flags = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR;

        return json_encode(['title' => $title, 'items' => $items], $flags)."\n";
    }

    /**
     * @return list<Entry>
     *
     * @throws BadBook
     */
    public static function read(string $json): array
    {
        $data = json_decode($json, true, 16);
        $items = is_array($data) ? $data['items'] ?? null : null;

        return is_array($items) ? BookItems::entries(array_values($items)) : throw BadBook::noItems();
    }
}
