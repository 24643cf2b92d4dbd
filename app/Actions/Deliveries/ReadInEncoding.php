<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Files\StoredCopy;
use App\Models\Delivery;
use App\Models\User;
use App\Queries\Deliveries\OtherLetters;
use Illuminate\Support\Facades\DB;

/** Delivers a file once more, whose letters were read in the wrong encoding; what came with it before is withdrawn. */
final readonly class ReadInEncoding
{
    public function __construct(
        private WithdrawDelivery $withdraw,
        private StartDelivery $start,
        private WriteLog $log,
    ) {
    }

    /** @throws Refused If its letters are not in doubt. */
    public function execute(User $by, Delivery $delivery, string $encoding): Delivery
    {
        if (! isset(OtherLetters::of($delivery)->readings[$encoding])) {
            throw new Refused('This file cannot be read in these letters.');
        }
        $path = StoredCopy::path("deliveries/{$delivery->file_hash}");

        return DB::transaction(function () use ($by, $delivery, $encoding, $path): Delivery {
            $this->withdraw->execute($by, $delivery);
            $again = $this->start->ofFile(
                $by,
                $delivery->review,
                $path,
                (string) $delivery->file_name,
                $delivery->source_name,
                $delivery->searched_on,
                $delivery->notes,
                $delivery->platform,
                [...$delivery->reading, 'encoding' => $encoding],
                $delivery->source_kind,
            );
            $words = "Had {$delivery->file_name} read again as {$encoding}";
            ($this->log)($delivery->review_id, $by, 'delivery.letters', $words, $again, ['before' => $delivery->id]);

            return $again;
        });
    }
}
