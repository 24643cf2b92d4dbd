<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Deliveries\StartDelivery;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\User;
use Bench\LargeReview;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

final class MakeLargeReview extends Command
{
    protected $signature = 'heron:large {records=117000 : of which six in seven are publications} {--lead=ines.okafor@heron.example} {--reviewer=karin.sollander@heron.example}';

    protected $description = 'Make a large review for load';

    public function handle(LargeReview $large, StartDelivery $start): int
    {
        $lead = User::query()->where('email', $this->option('lead'))->first();
        $reviewer = User::query()->where('email', $this->option('reviewer'))->first();
        if ($lead === null || $reviewer === null) {
            $this->error('Those people are not known here; add them with heron:person.');

            return 2;
        }
        $review = $large->review($lead, $reviewer, 'A large review, for load');
        $path = tempnam(sys_get_temp_dir(), 'large');
        $large->writeFile($path, (int) $this->argument('records'));
        Queue::fake();
        $delivery = $start->ofFile($lead, $review, $path, 'large.ris', 'Load', now(), '');
        DeliverySlice::runHere($delivery);
        unlink($path);
        DB::statement('VACUUM ANALYZE');
        $this->line($review->id);

        return self::SUCCESS;
    }
}
