<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Asked;

use WaryHeron\Core\Coding\Lead\Briefing;

/** The items to look for, read from their file. */
final readonly class Codebook
{
    /** @param  list<AskedItem>  $items */
    private function __construct(public array $items)
    {
    }

    /** @throws BadCodebook */
    public static function fromJson(string $json): self
    {
        $data = json_decode($json, true, 16);
        $given = is_array($data) ? $data['items'] ?? null : null;
        if (! is_array($given) || $given === []) {
            throw new BadCodebook('It holds no items: {"items": [{"id": …, "label": …, "type": …}]} was expected.');
        }
        $items = [];
        foreach (array_values($given) as $i => $one) {
            $items[] = self::item(is_array($one) ? $one : [], $i + 1);
        }

        return new self($items);
    }

    /** @param  array<mixed>  $given */
    private static function item(array $given, int $number): AskedItem
    {
        $id = self::text($given, 'id');
        $type = ItemType::tryFrom(self::text($given, 'type'));
        if ($id === '' || $type === null) {
            $types = implode(', ', array_column(ItemType::cases(), 'value'));
            throw new BadCodebook("Item {$number} needs an id and one of these types: {$types}.");
        }
        $label = self::text($given, 'label');

        return new AskedItem(
            $id,
            $label === '' ? $id : $label,
            $type,
            self::texts($given, 'options'),
            self::text($given, 'unit'),
            new Briefing(self::text($given, 'guidance'), self::texts($given, 'synonyms')),
        );
    }

    /** @param  array<mixed>  $given */
    private static function text(array $given, string $key): string
    {
        $text = $given[$key] ?? '';

        return is_string($text) ? trim($text) : '';
    }

    /**
     * @param  array<mixed>  $given
     * @return list<string>
     */
    private static function texts(array $given, string $key): array
    {
        $texts = $given[$key] ?? [];

        return array_values(array_filter(is_array($texts) ? $texts : [], is_string(...)));
    }
}
