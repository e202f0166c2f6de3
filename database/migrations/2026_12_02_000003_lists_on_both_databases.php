<?php

declare(strict_types=1);

use App\Models\Database;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * An order of the list goes along an index on either database: PostgreSQL takes "is null" for no constant, and would put all jobs in order for one page of
 * them. So jobs that lie open and those that were put away have indexes of their own.
 */
return new class extends Migration
{
    private const ORDERS = ['updated_at', 'title_key', 'customer_key', 'due_key', 'findings'];

    private const LIE = ['' => 'deleted_at is null and archived_at is null', 'put_' => 'deleted_at is null and archived_at is not null'];

    public function up(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            foreach (self::ORDERS as $order) {
                $table->dropIndex("shop_jobs_by_{$order}");
            }
            $table->dropIndex('shop_jobs_standing');
        });
        foreach (self::LIE as $how => $where) {
            foreach (self::ORDERS as $order) {
                // With all that is sifted by on the way, so that nothing else is read; SQLite reads what it could conclude from which rows these are.
                $columns = array_values(array_unique([$order, 'id', 'standing', 'due_key', 'search', 'deleted_at', 'archived_at']));
                Database::index('shop_jobs', "shop_jobs_{$how}by_{$order}", $columns, $where);
            }
        }
        // By where they stand they are sifted along an order: from an index of that one database would put what it finds in order by itself.
        Database::index('shop_jobs', 'shop_jobs_by_process', ['process', 'id'], self::LIE['']);
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            foreach (self::ORDERS as $order) {
                $table->dropIndex("shop_jobs_by_{$order}");
                $table->dropIndex("shop_jobs_put_by_{$order}");
                $columns = array_values(array_unique(['deleted_at', 'archived_at', $order, 'id', 'standing', 'due_key', 'search']));
                $table->index($columns, "shop_jobs_by_{$order}");
            }
            $table->dropIndex('shop_jobs_by_process');
            $table->index(['deleted_at', 'archived_at', 'standing', 'updated_at', 'id'], 'shop_jobs_standing');
        });
    }
};
