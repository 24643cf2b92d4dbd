<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use App\Models\User;
use WaryHeron\Core\Report\Document\Schema;
use WaryHeron\Core\Report\Standard\ReportingItem;

/** What the script of the page begins with on which a report is written. */
final readonly class ComposerStart
{
    public int $schema;

    /** @var list<object> number and label of each */
    public array $items;

    /**
     * @param  array<string, string>  $me  name and id of the writer
     * @param  object  $blocks  as they are drawn now, by what they are
     * @param  array<string, CitableReport>  $citable  by publication
     * @param  array<string, string>  $urls
     */
    private function __construct(
        public bool $mayWrite,
        public array $me,
        public object $blocks,
        public array $citable,
        public array $urls,
    ) {
        $this->schema = Schema::VERSION;
        $this->items = array_map(
            fn (ReportingItem $one): object => (object) ['n' => $one->value, 'label' => $one->label()],
            ReportingItem::cases(),
        );
    }

    /** @param  array<string, string>  $urls */
    public static function of(Report $report, User $me, bool $mayWrite, array $urls): self
    {
        $blocks = (object) KeptBlocks::drawn(KeptBlocks::of($report));
        $citable = Citable::of($report->review);

        return new self($mayWrite, ['name' => $me->name, 'id' => $me->id], $blocks, $citable, $urls);
    }
}
