<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;

/**
 * Entries of a codebook as plain values, whatever the file they come from: "id", "label", "type", "options", "unit",
 * "minimum", "maximum", "guidance", "examples", "synonyms", "section", "pass", "required", "per", "when": {"item", "answers"}.
 * Only label and type must be there. Types that a codebook for leads knows beside ours are texts here.
 */
final class BookItems
{
    private const MOST = 500;

    private const TEXTS = ['country', 'duration', 'estimate', 'p', 'identifier'];

    /**
     * @param  list<mixed>  $items
     * @return list<Entry>
     *
     * @throws BadBook
     */
    public static function entries(array $items): array
    {
        if ($items === []) {
            throw BadBook::noItems();
        }
        if (count($items) > self::MOST) {
            throw BadBook::item(self::MOST + 1, 'a codebook has at most '.self::MOST.' items.');
        }
        $entries = [];
        foreach ($items as $i => $item) {
            $entries[] = self::entry(new Given(is_array($item) ? $item : [], $i + 1));
        }
        self::checkConditions($entries);

        return $entries;
    }

    /** @return array<string, string|int|float|bool|list<string>|array<string, string|list<string>>> without what is empty */
    public static function values(Entry $entry): array
    {
        $when = $entry->when === null ? [] : ['item' => $entry->when->item, 'answers' => $entry->when->answers];
        $all = [
            'id' => $entry->id,
            'label' => $entry->label,
            'type' => $entry->code->type->value,
            'options' => $entry->code->options,
            'unit' => $entry->code->unit,
            'minimum' => $entry->code->minimum,
            'maximum' => $entry->code->maximum,
            'guidance' => $entry->guidance,
            'examples' => $entry->examples,
            'synonyms' => $entry->synonyms,
            'section' => $entry->section,
            'pass' => $entry->pass->value,
            'required' => $entry->isRequired,
            'per' => $entry->per,
            'when' => $when,
        ];

        return array_filter($all, fn (mixed $one): bool => ! in_array($one, ['', [], null, false], true));
    }

    private static function entry(Given $given): Entry
    {
        $label = $given->text('label', 120);
        $id = $given->text('id', 120);
        $label = $label === '' ? $id : $label;
        if ($label === '') {
            throw $given->bad('it has no label.');
        }

        return new Entry(
            $id === '' ? $label : $id,
            $label,
            self::code($given),
            $given->text('guidance', 2000),
            $given->text('examples', 2000),
            $given->texts('synonyms'),
            $given->text('section', 120),
            Pass::tryFrom($given->text('pass', 20)) ?? Pass::Mapping,
            $given->is('required'),
            self::when($given),
            $given->text('per', 40),
        );
    }

    private static function code(Given $given): Code
    {
        $said = $given->text('type', 20);
        $type = in_array($said, self::TEXTS, true) ? CodeType::Text : CodeType::tryFrom($said);
        if ($type === null) {
            throw $given->bad('its type is none of '.implode(', ', array_column(CodeType::cases(), 'value')).'.');
        }
        $options = $type->hasOptions() ? $given->texts('options') : [];
        if ($type->hasOptions() && $options === []) {
            throw $given->bad('it has no options to choose from.');
        }
        $unit = $type === CodeType::Number ? $given->text('unit', 40) : '';

        return new Code($type, $options, $unit, $given->number('minimum'), $given->number('maximum'));
    }

    private static function when(Given $given): ?AskedWhen
    {
        $when = $given->part('when');
        $answers = $when->texts('answers');

        return $answers === [] ? null : new AskedWhen($when->text('item', 120), $answers);
    }

    /** @param  list<Entry>  $entries */
    private static function checkConditions(array $entries): void
    {
        $before = [];
        foreach ($entries as $i => $entry) {
            if ($entry->when !== null && ! isset($before[$entry->when->item])) {
                throw BadBook::item($i + 1, "its condition names “{$entry->when->item}”, which is no item before it.");
            }
            $before[$entry->id] = true;
        }
    }
}
