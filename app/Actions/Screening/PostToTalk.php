<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Actions\Refused;
use App\Actions\WriteLog;
use App\Models\Item;
use App\Models\TalkMessage;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class PostToTalk
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If the item is still blinded: words could give a verdict away. */
    public function execute(User $by, Item $item, string $body): TalkMessage
    {
        return DB::transaction(function () use ($by, $item, $body): TalkMessage {
            $item = Item::query()->lockForUpdate()->findOrFail($item->id);
            if (! $item->state->isOpen()) {
                throw new Refused('Talk begins when the item opens. Until then, keep your thoughts in your own note.');
            }
            $message = TalkMessage::query()->create(['review_id' => $item->review_id, 'item_id' => $item->id, 'user_id' => $by->id, 'body' => $body]);
            ($this->log)($item->review_id, $by, 'talk.posted', "Wrote in Talk on “{$item->publication->title}”", $message);

            return $message;
        });
    }
}
