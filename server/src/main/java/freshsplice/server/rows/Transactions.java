package freshsplice.server.rows;

import org.springframework.orm.jpa.JpaTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.DelegatingTransactionDefinition;

/**
 * Whoever reads sees one moment of the whole database, however many questions that takes. Whoever writes holds rows and not the
 * gaps between them: at the database's usual level (repeatable read) two people in projects that were made one after the other would
 * each hold the gap into which the other is to write, and one of them would be refused. What writers of one project must
 * not see of each other is held by the lock on its row ({@code steps.Steps}).
 *
 * @see <a href="https://mariadb.com/kb/en/innodb-lock-modes/">InnoDB lock modes: gap locks</a>
 */
@Component("transactionManager")
class Transactions extends JpaTransactionManager {
    private static final long serialVersionUID = 1;

    @Override
    protected void doBegin(Object transaction, TransactionDefinition asked) {
        boolean writes = !asked.isReadOnly() && asked.getIsolationLevel() == TransactionDefinition.ISOLATION_DEFAULT;
        super.doBegin(transaction, !writes ? asked : new DelegatingTransactionDefinition(asked) {
            @Override
            public int getIsolationLevel() {
                return ISOLATION_READ_COMMITTED;
            }
        });
    }
}
