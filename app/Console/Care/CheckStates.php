<?php

declare(strict_types=1);

namespace App\Console\Care;

use App\Actions\Screening\ChangeStage;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Screening\PersonTallies;
use App\Queries\Shared\Tallies;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class CheckStates extends Command
{
    protected $signature = 'heron:check-states';

    protected $description = 'Compute every item’s state anew from the decisions and compare it, and the tallies, with what is kept';

    public function handle(ChangeStage $stages): int
    {
        $wrong = 0;
        foreach (Stage::query()->with('review')->orderBy('id')->get() as $stage) {
            foreach ($stages->effect($stage, []) as $way => $items) {
                $this->line("{$stage->name}: {$items} are kept otherwise than computed: {$way}");
                $wrong += $items;
            }
            $counted = DB::table('items')
                ->where('stage_id', $stage->id)
                ->whereNotIn('state', ['folded', 'removed'])
                ->count();
            if ($counted !== Tallies::of($stage->review, $stage)->all()) {
                $this->line(
                    "{$stage->name}: the tallies say ".Tallies::of($stage->review, $stage)->all()." of {$counted}",
                );
                $wrong++;
            }
        }
        foreach (Review::query()->orderBy('id')->lazy() as $review) {
            foreach (PersonTallies::wrong($review) as $line) {
                $this->line($line);
                $wrong++;
            }
        }
        $this->line($wrong === 0 ? 'Every state is what its decisions make it.' : "{$wrong} are wrong.");

        return $wrong === 0 ? self::SUCCESS : self::FAILURE;
    }
}
