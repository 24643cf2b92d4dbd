<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\TeamDialect;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Dialects;

final readonly class SaveDialect
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @return string the dialect's name
     *
     * @throws BadDialect
     */
    public function execute(User $by, Review $review, string $file): string
    {
        $dialect = Dialect::fromJson($file);
        if (in_array($dialect->name(), Dialects::NAMES, true)) {
            throw new BadDialect([
                "“{$dialect->name()}” is the name of a dialect that ships. Give “name” another value.",
            ]);
        }

        return DB::transaction(function () use ($by, $review, $file, $dialect): string {
            $own = TeamDialect::query()->updateOrCreate(
                ['review_id' => $review->id, 'name' => $dialect->name()],
                ['file' => $file, 'changed_by' => $by->id],
            );
            ($this->log)($review, $by, 'dialect.saved', "Saved the dialect “{$dialect->title()}”", $own, [
                'file' => $file,
            ]);

            return $dialect->name();
        });
    }
}
