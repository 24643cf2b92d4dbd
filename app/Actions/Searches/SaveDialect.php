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

    private static function refuseShipped(string $name): void
    {
        if (in_array($name, Dialects::NAMES, true)) {
            throw new BadDialect(["“{$name}” is the name of a dialect that ships. Give “name” another value."]);
        }
    }

    /**
     * @return string the dialect's name
     *
     * @throws BadDialect
     */
    public function execute(User $by, Review $review, string $file): string
    {
        $dialect = Dialect::fromJson($file);
        self::refuseShipped($dialect->name());

        return DB::transaction(function () use ($by, $review, $file, $dialect): string {
            $own = TeamDialect::query()->updateOrCreate(
                ['review_id' => $review->id, 'name' => $dialect->name()],
                ['file' => $file, 'changed_by' => $by->id],
            );
            $words = "Saved the dialect “{$dialect->title()}”";
            ($this->log)($review, $by, 'dialect.saved', $words, $own, ['file' => $file]);

            return $dialect->name();
        });
    }
}
