<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Standard;

use WaryHeron\Core\Report\Document\Section;

/** Which items of the reporting standard a document answers, and where. */
final readonly class Coverage
{
    /** @param  array<int, list<Section>>  $sections  that name each item, by its number */
    private function __construct(private array $sections)
    {
    }

    /** @param  list<Section>  $sections */
    public static function of(array $sections): self
    {
        $by = [];
        foreach ($sections as $section) {
            foreach ($section->items as $item) {
                $by[$item][] = $section;
            }
        }

        return new self($by);
    }

    public function isAnswered(ReportingItem $item): bool
    {
        return array_filter($this->sections[$item->value] ?? [], fn (Section $one): bool => ! $one->isEmpty()) !== [];
    }

    /** @return list<ReportingItem> */
    public function missing(): array
    {
        return array_values(array_filter(ReportingItem::cases(), fn (ReportingItem $one): bool => ! $this->isAnswered($one)));
    }

    public function answered(): int
    {
        return count(ReportingItem::cases()) - count($this->missing());
    }
}
