<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Shared\WriteLog;
use App\Models\Delivery;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Flow\SourceKind;

/** Says whether a delivery came from a database, a register or elsewhere, which flow diagrams tell apart. */
final readonly class TellSourceKind
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Delivery $delivery, SourceKind $kind): void
    {
        DB::transaction(function () use ($by, $delivery, $kind): void {
            $before = $delivery->source_kind;
            $delivery->update(['source_kind' => $kind->value]);
            ($this->log)(
                $delivery->review_id,
                $by,
                'delivery.kind',
                "Counts {$delivery->source_name} as ".$kind->one(),
                $delivery,
                ['before' => $before, 'after' => $kind->value],
            );
        });
    }
}
